import { Redirect, usePathname, useRouter } from 'expo-router';
import { useEffect, type ReactNode } from 'react';
import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { Words } from '../parts/Words';
import { usePalette, useWide } from '../theme/theme';
import { railWidth, space } from '../theme/tokens';
import { NoteButton, NoteLine } from '../features/notes/NoteEntry';
import { useAccount } from '../sync/account';
import { useNow } from '../sync/clock';
import { useSyncing } from '../sync/sync';
import { KeysHelp } from './KeysHelp';
import { placeOf, places, readersPlaces, type Place } from './places';

function PlaceLink({ place, chosen, wide }: { place: Place; chosen: boolean; wide: boolean }) {
  const palette = usePalette();
  const router = useRouter();
  const Icon = place.icon;
  return (
    <TouchableRipple
      role="link"
      aria-label={place.name}
      aria-current={chosen ? 'page' : undefined}
      onPress={() => {
        router.navigate(place.path);
      }}
      style={{ flex: wide ? undefined : 1, minHeight: wide ? 76 : 60, justifyContent: 'center' }}
    >
      <View style={{ alignItems: 'center', gap: 2 }}>
        <Icon size={24} color={chosen ? palette.slate : palette.inkQuiet} strokeWidth={chosen ? 2.4 : 2} />
        <Words size="small" tone={chosen ? 'slate' : 'inkQuiet'} bold={chosen}>
          {place.name}
        </Words>
      </View>
    </TouchableRipple>
  );
}

function DemoNotice() {
  const palette = usePalette();
  const { date, time } = useNow();
  return (
    <View style={{ backgroundColor: palette.slateWash, paddingHorizontal: space(4), paddingVertical: 2 }}>
      <Words size="small" figures>
        {`Demo with its own clock: ${date}, ${time}`}
      </Words>
    </View>
  );
}

/** The places round every page, of a reader two of them: a bar below on the phone, a rail at the left when wide. */
export function Frame({ children }: { children: ReactNode }) {
  const palette = usePalette();
  const wide = useWide();
  const isReader = useAccount(({ role }) => role === 'reader');
  const own = isReader ? readersPlaces : places;
  const pathname = usePathname();
  const chosen = placeOf(pathname, own);
  const demo = useAccount((state) => state.demo);
  useSyncing();
  useEffect(() => {
    const watching = import('../features/observation/tallies/endTimers').then(({ watchTimers }) =>
      watchTimers(),
    );
    return () => void watching.then((stop) => stop());
  }, []);
  return (
    <View
      style={{ flex: 1, flexDirection: wide ? 'row' : 'column-reverse', backgroundColor: palette.ground }}
    >
      <View
        role="navigation"
        aria-label="Places"
        style={{
          flexDirection: wide ? 'column' : 'row',
          width: wide ? railWidth : undefined,
          paddingTop: wide ? space(3) : 0,
          backgroundColor: palette.surface,
          borderColor: palette.line,
          borderTopWidth: wide ? 0 : 1,
          borderRightWidth: wide ? 1 : 0,
        }}
      >
        {own.map((place) => (
          <PlaceLink key={place.path} place={place} chosen={place === chosen} wide={wide} />
        ))}
        {wide ? <View style={{ flex: 1 }} /> : null}
        {isReader ? null : <NoteButton wide={wide} />}
      </View>
      <View role="main" style={{ flex: 1 }}>
        {demo ? <DemoNotice /> : null}
        <View style={{ flex: 1 }}>
          {isReader && pathname === '/' ? <Redirect href="/given" /> : children}
        </View>
        {isReader ? null : <NoteLine />}
      </View>
      {wide ? <KeysHelp /> : null}
    </View>
  );
}

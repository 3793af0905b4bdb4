import { Redirect, usePathname, useRouter } from 'expo-router';
import { useEffect, type ReactNode } from 'react';
import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { TapArea } from '../parts/TapArea';
import { Words } from '../parts/Words';
import { usePalette, useWide } from '../theme/theme';
import { railWidth, space, target } from '../theme/tokens';
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

/** The first that Tab finds, and seen only then: past the places to the page, on a lesson to its first student. */
function SkipLink() {
  const palette = usePalette();
  const skip = () => {
    const student = document.querySelector<HTMLElement>(
      '[data-testid=student-row],[data-testid=student-tile]',
    );
    (student ?? document.getElementById('page'))?.focus();
  };
  return (
    <TapArea
      id="skip"
      name="Skip to the page"
      onTap={skip}
      style={{
        position: 'absolute',
        zIndex: 1,
        top: 0,
        minHeight: target,
        justifyContent: 'center',
        paddingHorizontal: space(4),
        backgroundColor: palette.surface,
      }}
    >
      <Words bold>Skip to the page</Words>
    </TapArea>
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
      <SkipLink />
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
      <View role="main" id="page" tabIndex={-1} style={{ flex: 1 }}>
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

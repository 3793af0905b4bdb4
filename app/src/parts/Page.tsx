import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import { useRouter, type Href } from 'expo-router';
import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { SavedSign } from '../shell/SavedSign';
import { usePalette, useWide } from '../theme/theme';
import { space } from '../theme/tokens';
import { IconAction } from './IconAction';
import { useTabTitle } from './useTabTitle';
import { Words } from './Words';

interface PageProps {
  title: string;
  /** For the browser's tab, where the title alone would not tell it from others or names a student. */
  tab?: string;
  note?: string;
  /** Where the arrow beside the title leads, and what is there. */
  back?: { to: Href; name: string };
  /** Beside the title on a wide screen, below it on the phone. */
  tools?: ReactNode;
  /** As wide as the screen, or at most as wide as is comfortable to read. */
  full?: boolean;
  children: ReactNode;
}

/** A page with its title, whether all is saved, and what is on it. */
export function Page({ title, tab, note, back, tools, full, children }: PageProps) {
  const palette = usePalette();
  const wide = useWide();
  const router = useRouter();
  useTabTitle(tab ?? title);
  return (
    <ScrollView
      style={{ flex: 1, backgroundColor: palette.ground }}
      contentContainerStyle={{
        padding: wide ? space(8) : space(4),
        paddingBottom: space(10),
        gap: space(4),
        width: '100%',
        maxWidth: full ? undefined : 1120,
      }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'flex-start', gap: space(1) }}>
        {back ? (
          <View style={{ marginLeft: -space(2) }}>
            <IconAction
              name={back.name}
              icon={ChevronLeft}
              onPress={() => {
                router.navigate(back.to);
              }}
            />
          </View>
        ) : null}
        <View style={{ flex: 1, paddingTop: back ? space(1) : 0 }}>
          <Words size="title" serif heading={1}>
            {title}
          </Words>
          {note ? <Words tone="inkQuiet">{note}</Words> : null}
        </View>
        {wide ? tools : null}
        <SavedSign />
      </View>
      {wide ? null : tools}
      {children}
    </ScrollView>
  );
}

import type { ReactNode } from 'react';
import { ScrollView } from 'react-native';
import { useTabTitle } from '../../parts/useTabTitle';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { space } from '../../theme/tokens';

/** A page for whoever is not in yet. */
export function Welcome({ title, children }: { title: string; children: ReactNode }) {
  const palette = usePalette();
  useTabTitle(title);
  return (
    <ScrollView
      style={{ flex: 1, backgroundColor: palette.ground }}
      contentContainerStyle={{
        padding: space(6),
        paddingTop: space(14),
        gap: space(4),
        maxWidth: 480,
        width: '100%',
        alignSelf: 'center',
      }}
    >
      <Words tone="inkQuiet">Slate Path</Words>
      <Words size="title" serif heading={1}>
        {title}
      </Words>
      {children}
    </ScrollView>
  );
}

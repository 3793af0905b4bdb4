import { memo, type ReactNode } from 'react';
import { View } from 'react-native';
import { Tabs } from '../../../parts/Tabs';
import { usePalette } from '../../../theme/theme';

const modes = { roll: 'Roll', tally: 'Tally', sweep: 'Sweep', circle: 'Circle', turns: 'Turns' } as const;

/** What is done in the lesson in hand. */
export type LessonMode = keyof typeof modes;

/** @param asked as the address has it */
export function modeOf(asked: string | undefined): LessonMode {
  return asked !== undefined && asked in modes ? (asked as LessonMode) : 'roll';
}

interface ModeBarProps {
  mode: LessonMode;
  /** Behind the tabs: what turns the present one. */
  children?: ReactNode;
  onMode: (mode: LessonMode) => void;
}

/** From the roll to the tally and back, one tap each. */
export const ModeBar = memo(function ModeBar({ mode, children, onMode }: ModeBarProps) {
  const palette = usePalette();
  return (
    <View style={{ backgroundColor: palette.surface }}>
      <Tabs
        name="In this lesson"
        items={Object.entries(modes).map(([value, label]) => ({
          label,
          chosen: value === mode,
          onTap: () => {
            onMode(value as LessonMode);
          },
        }))}
      >
        {children}
      </Tabs>
    </View>
  );
});

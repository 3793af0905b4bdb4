import { memo, type ReactNode } from 'react';
import { View } from 'react-native';
import type { Section } from '@slate-path/core/records/schema';
import { Tabs } from '../../../parts/Tabs';
import { usePalette } from '../../../theme/theme';

/** What is done in the lesson in hand. */
export type LessonMode = Section['lessonModes'][number];

export const modeNames: Record<LessonMode, string> = {
  roll: 'Roll',
  tally: 'Tally',
  sweep: 'Sweep',
  circle: 'Circle',
  turns: 'Turns',
  nods: 'Nods',
  ticks: 'Ticks',
  sides: 'Sides',
  tone: 'Tone',
  watch: 'Close watch',
};

/** What few lessons need: a class has it where somebody wants it. */
const added: readonly LessonMode[] = ['ticks', 'sides', 'tone', 'watch'];
const usualModes = (Object.keys(modeNames) as LessonMode[]).filter((mode) => !added.includes(mode));

/** What the lessons of a class have, in its order; the same list while nothing of it changes. */
export function modesOf(section: Section | undefined): LessonMode[] {
  const chosen = section?.lessonModes;
  return chosen?.length ? chosen : usualModes;
}

/** @param asked as the address has it; a class that has no such thing shows it all the same */
export function modeOf(asked: string | undefined, modes: readonly LessonMode[]): LessonMode {
  return asked !== undefined && asked in modeNames ? (asked as LessonMode) : (modes[0] ?? 'roll');
}

interface ModeBarProps {
  mode: LessonMode;
  modes: readonly LessonMode[];
  /** Behind the tabs: what turns the present one. */
  children?: ReactNode;
  onMode: (mode: LessonMode) => void;
}

/** From the roll to the tally and back, one tap each. */
export const ModeBar = memo(function ModeBar({ mode, modes, children, onMode }: ModeBarProps) {
  const palette = usePalette();
  const shown = modes.includes(mode) ? modes : [...modes, mode];
  return (
    <View style={{ backgroundColor: palette.surface }}>
      <Tabs
        name="In this lesson"
        items={shown.map((value) => ({
          label: modeNames[value],
          chosen: value === mode,
          onTap: () => {
            onMode(value);
          },
        }))}
      >
        {children}
      </Tabs>
    </View>
  );
});

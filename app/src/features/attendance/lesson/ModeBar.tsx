import { memo } from 'react';
import { View } from 'react-native';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { radius, space, target } from '../../../theme/tokens';

const modes = { roll: 'Roll', tally: 'Tally', sweep: 'Sweep', circle: 'Circle', turns: 'Turns' } as const;

/** What is done in the lesson in hand. */
export type LessonMode = keyof typeof modes;

/** @param asked as the address has it */
export function modeOf(asked: string | undefined): LessonMode {
  return asked !== undefined && asked in modes ? (asked as LessonMode) : 'roll';
}

interface ModeBarProps {
  mode: LessonMode;
  onMode: (mode: LessonMode) => void;
}

/** From the roll to the tally and back, one tap each. */
export const ModeBar = memo(function ModeBar({ mode, onMode }: ModeBarProps) {
  const palette = usePalette();
  return (
    <View
      role="group"
      aria-label="In this lesson"
      style={{
        flexDirection: 'row',
        gap: space(1),
        paddingHorizontal: space(3),
        paddingVertical: space(1),
        backgroundColor: palette.surface,
        borderBottomWidth: 1,
        borderColor: palette.line,
      }}
    >
      {Object.entries(modes).map(([value, label]) => {
        const chosen = value === mode;
        return (
          <TapArea
            key={value}
            name={label}
            held={chosen}
            onTap={() => {
              onMode(value as LessonMode);
            }}
            style={{
              flex: 1,
              maxWidth: 160,
              minHeight: target,
              alignItems: 'center',
              justifyContent: 'center',
              borderRadius: radius.control,
              backgroundColor: chosen ? palette.slateWash : palette.surface,
            }}
          >
            <Words bold={chosen} tone={chosen ? 'ink' : 'inkQuiet'}>
              {label}
            </Words>
          </TapArea>
        );
      })}
    </View>
  );
});

import { memo, type ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { space, target } from '../../../theme/tokens';

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
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        backgroundColor: palette.surface,
        borderBottomWidth: 1,
        borderColor: palette.line,
      }}
    >
      <ScrollView
        horizontal
        showsHorizontalScrollIndicator={false}
        style={{ flex: 1 }}
        contentContainerStyle={{ paddingHorizontal: space(1) }}
      >
        <View role="group" aria-label="In this lesson" style={{ flexDirection: 'row' }}>
          {Object.entries(modes).map(([value, label]) => (
            <Tab
              key={value}
              label={label}
              chosen={value === mode}
              onTap={() => {
                onMode(value as LessonMode);
              }}
            />
          ))}
        </View>
      </ScrollView>
      {children}
    </View>
  );
});

function Tab({ label, chosen, onTap }: { label: string; chosen: boolean; onTap: () => void }) {
  const palette = usePalette();
  return (
    <TapArea
      name={label}
      held={chosen}
      onTap={onTap}
      style={{ minHeight: target, justifyContent: 'center', paddingHorizontal: space(2) }}
    >
      <View
        style={{
          minHeight: target,
          justifyContent: 'center',
          paddingHorizontal: space(1),
          borderBottomWidth: 3,
          borderColor: chosen ? palette.slate : 'transparent',
        }}
      >
        <Words bold={chosen} tone={chosen ? 'ink' : 'inkQuiet'}>
          {label}
        </Words>
      </View>
    </TapArea>
  );
}

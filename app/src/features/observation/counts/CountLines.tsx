import { View } from 'react-native';
import type { LookFor } from '@slate-path/core/records/schema';
import { many } from '@slate-path/core/words/many';
import { durationWords } from '@slate-path/core/observation/tallies/duration';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { space, target } from '../../../theme/tokens';

/** A group of the counts with its sum and its rate. */
export interface CountGroupRate {
  key: string;
  label: string;
  amount: number;
  lessons: number;
  minutes: number;
  perHour: number | null;
}

interface CountLinesProps {
  groups: readonly CountGroupRate[];
  measure: LookFor['measure'];
  /** What a line stands for. */
  title: string;
  /** Opens one student; null where a line is none. */
  onOpen: ((key: string) => void) | null;
}

const widths = { amount: 92, lessons: 56, rate: 92 };

function Line({ cells, heading }: { cells: [string, string, string, string]; heading?: boolean }) {
  const tone = heading ? 'inkQuiet' : 'ink';
  const [label, ...numbers] = cells;
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2), minHeight: target }}>
      <View style={{ flex: 1 }}>
        <Words tone={tone} size={heading ? 'small' : 'text'} lines={2}>
          {label}
        </Words>
      </View>
      {numbers.map((number, index) => (
        <View key={index} style={{ width: Object.values(widths)[index], alignItems: 'flex-end' }}>
          <Words figures tone={tone} size={heading ? 'small' : 'text'}>
            {number}
          </Words>
        </View>
      ))}
    </View>
  );
}

/** The same numbers as the chart, to be read. */
export function CountLines({ groups, measure, title, onOpen }: CountLinesProps) {
  const palette = usePalette();
  const amountOf = (amount: number) => (measure === 'seconds' ? durationWords(amount) : String(amount));
  return (
    <View>
      <Line heading cells={[title, measure === 'seconds' ? 'time' : 'times', 'lessons', 'per hour']} />
      {groups.map(({ key, label, amount, lessons, perHour }) => {
        const rate =
          perHour === null
            ? '–'
            : measure === 'seconds'
              ? durationWords(perHour)
              : String(Math.round(perHour * 10) / 10);
        const line = <Line cells={[label, amountOf(amount), String(lessons), rate]} />;
        const style = { borderTopWidth: 1, borderColor: palette.line } as const;
        return onOpen ? (
          <TapArea
            key={key}
            name={`${label}: ${amountOf(amount)} in ${many(lessons, 'lesson')}, ${rate} per hour. Open week by week`}
            onTap={() => {
              onOpen(key);
            }}
            style={style}
          >
            {line}
          </TapArea>
        ) : (
          <View key={key} style={style}>
            {line}
          </View>
        );
      })}
    </View>
  );
}

import { View } from 'react-native';
import type { PaperSize } from '@slate-path/core/sharing/papers/sizes';
import { paperSizes } from '@slate-path/core/sharing/papers/sizes';
import { DateField } from '../../../parts/DateField';
import { choicePhrase, Sentence } from '../../../parts/Sentence';
import { space } from '../../../theme/tokens';
import { choosePaperSize, usePaperSize } from '../../../files/paperSize';
import type { NamedSpan } from '../../attendance/totals/ranges';

export const ownDays = 'own';

interface DaysAndPaperProps {
  ranges: readonly NamedSpan[];
  /** The key of one of them, or days of one's own. */
  range: string;
  from: string;
  to: string;
  error: string | undefined;
  onChange: (days: { range: string; from: string; to: string }) => void;
}

/** Of which days files tell, and the sheet that they are made for. */
export function DaysAndPaper({ ranges, range, from, to, error, onChange }: DaysAndPaperProps) {
  const paper = usePaperSize();
  return (
    <View style={{ gap: space(3) }}>
      <Sentence
        parts={[
          'Of ',
          choicePhrase({
            name: 'choose the days',
            value: range,
            options: [
              ...ranges.map(({ key, label }) => ({ value: key, label })),
              { value: ownDays, label: 'other days' },
            ],
            onChange: (next) => {
              const named = ranges.find(({ key }) => key === next);
              onChange({ range: next, from: named?.from ?? from, to: named?.to ?? to });
            },
          }),
          ', for sheets of ',
          choicePhrase<PaperSize>({
            name: 'choose the paper',
            value: paper,
            options: paperSizes.map((value) => ({ value, label: value })),
            onChange: choosePaperSize,
          }),
          ' paper.',
        ]}
      />
      {range === ownDays ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(3) }}>
          <DateField
            label="First day"
            value={from}
            error={error}
            width={160}
            onChange={(next) => {
              onChange({ range, from: next, to });
            }}
          />
          <DateField
            label="Last day"
            value={to}
            width={160}
            onChange={(next) => {
              onChange({ range, from, to: next });
            }}
          />
        </View>
      ) : null}
    </View>
  );
}

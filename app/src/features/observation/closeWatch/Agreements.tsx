import { View } from 'react-native';
import { kappaCaution, kappaLimits, type Agreement } from '@slate-path/core/observation/closeWatch/agreement';
import type { Pair } from '@slate-path/core/observation/closeWatch/ofStudent';
import { agreementWords, percentWords } from '@slate-path/core/observation/closeWatch/words';
import { Card } from '../../../parts/Card';
import { shortDay } from '../../../parts/dates';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { dateOf } from './times';

/** Who saw what, in a table of two by two. */
function Table({
  agreement: { table },
  first,
  second,
}: {
  agreement: Agreement;
  first: string;
  second: string;
}) {
  if (!table) return null;
  const rows: [string, string, string][] = [
    ['', `${second}: seen`, 'not seen'],
    [`${first}: seen`, String(table.both), String(table.first)],
    ['not seen', String(table.second), String(table.neither)],
  ];
  return (
    <View role="table" aria-label={`What ${first} and ${second} saw`}>
      {rows.map((row, at) => (
        <View key={row[0]} role="row" style={{ flexDirection: 'row', gap: space(2) }}>
          {row.map((text, column) => (
            <View
              key={column}
              role={at === 0 ? 'columnheader' : 'cell'}
              style={{ flex: column === 0 ? 1.4 : 1 }}
            >
              <Words
                size={at === 0 || column === 0 ? 'small' : 'text'}
                tone={at === 0 || column === 0 ? 'inkQuiet' : 'ink'}
                figures
                style={{ textAlign: column === 0 ? 'left' : 'right' }}
              >
                {text}
              </Words>
            </View>
          ))}
        </View>
      ))}
    </View>
  );
}

function besides({ seenPercent, notSeenPercent }: Agreement): string {
  const parts = [
    seenPercent === null ? '' : `where at least one saw it ${percentWords(seenPercent)}`,
    notSeenPercent === null ? '' : `where at least one did not ${percentWords(notSeenPercent)}`,
  ].filter(Boolean);
  return parts.length === 0 ? '' : `Of these, ${parts.join(', ')}.`;
}

/** How far two observers agree, session by session, with what the numbers do not say. */
export function Agreements({ pairs }: { pairs: readonly Pair[] }) {
  return (
    <Card style={{ gap: space(4) }}>
      <Words size="large" serif heading={2}>
        Two observers
      </Words>
      {pairs.length === 0 ? (
        <Words tone="inkQuiet">
          Let somebody observe beside you on another device, or write down their sheet beside a session: then
          it stands here how far you agree.
        </Words>
      ) : null}
      {pairs.map(({ first, second, agreement }) => {
        const [one, other] = [first.observer || 'The first', second.observer || 'The second'];
        return (
          <View key={`${first.id} ${second.id}`} style={{ gap: space(1) }}>
            <Words bold>{`${shortDay(dateOf(first.startedAt))}: ${one} and ${other}`}</Words>
            <Words>{`${agreementWords(agreement)} ${besides(agreement)}`}</Words>
            <Table {...{ agreement }} first={one} second={other} />
            {kappaLimits(agreement).map((limit) => (
              <Words key={limit} size="small" tone="inkQuiet">
                {limit}
              </Words>
            ))}
          </View>
        );
      })}
      {pairs.some(({ agreement }) => agreement.kappa !== null) ? (
        <Words size="small" tone="inkQuiet">
          {kappaCaution}
        </Words>
      ) : null}
    </Card>
  );
}

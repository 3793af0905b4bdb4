import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import type { Totals } from '@slate-path/core/attendance/roll/totals';
import { Card } from '../../../parts/Card';
import { ShareBar } from '../../../parts/ShareBar';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { rowHeight, space } from '../../../theme/tokens';
import { totalsWords } from '../month/totalsWords';
import type { Sorting, TotalsLine } from './lines';

const number = (value: number) => String(Math.round(value * 10) / 10);
/** 12 h 40 */
const hours = (minutes: number) =>
  `${Math.floor(minutes / 60)} h ${String(Math.round(minutes % 60)).padStart(2, '0')}`;

/** The columns of the wide table; a heading sorts by what it names. */
const columns: { sorting: Sorting; title: string; width: number; of: (totals: Totals) => string }[] = [
  {
    sorting: 'percent',
    title: 'there',
    width: 66,
    of: (t) => (t.percent === null ? '–' : `${Math.round(t.percent)} %`),
  },
  { sorting: 'credit', title: 'credit', width: 96, of: (t) => `${number(t.credit)} of ${t.taken}` },
  { sorting: 'away', title: 'away', width: 56, of: (t) => String(t.away) },
  { sorting: 'excused', title: 'excused', width: 70, of: (t) => String(t.excused) },
  { sorting: 'late', title: 'late', width: 50, of: (t) => String(t.late) },
  { sorting: 'minutesLate', title: 'min late', width: 76, of: (t) => String(t.minutesLate) },
  { sorting: 'minutesMissed', title: 'min missed', width: 92, of: (t) => String(t.minutesMissed) },
  { sorting: 'days', title: 'days', width: 56, of: (t) => number(t.days) },
  { sorting: 'hours', title: 'hours', width: 84, of: (t) => hours(t.minutesThere) },
  { sorting: 'notTaken', title: 'not taken', width: 82, of: (t) => String(t.notTaken) },
];

function Bar({ totals, width }: { totals: Totals; width?: number }) {
  if (totals.taken === 0) return null;
  return (
    <ShareBar there={(totals.percent ?? 0) / 100} excused={totals.excused / totals.taken} width={width} />
  );
}

interface TotalsListProps {
  lines: readonly TotalsLine[];
  sorting: Sorting;
  onSort: (sorting: Sorting) => void;
}

function useOpenStudent(): (studentId: string | null) => void {
  const router = useRouter();
  return (studentId) => {
    if (studentId) router.push({ pathname: '/students/[studentId]', params: { studentId } });
  };
}

/** Phone: one student a row, the share as a bar, the rest in words. */
export function TotalsList({ lines }: Pick<TotalsListProps, 'lines'>) {
  const palette = usePalette();
  const open = useOpenStudent();
  return (
    <Card style={{ padding: 0 }}>
      {lines.map(({ key, name, note, studentId, totals }) => (
        <TouchableRipple
          key={key}
          testID="totals-row"
          role={studentId ? 'link' : undefined}
          aria-label={`${name}: ${totalsWords(totals)}`}
          onPress={() => {
            open(studentId);
          }}
          disabled={!studentId}
          style={{
            minHeight: rowHeight,
            justifyContent: 'center',
            paddingHorizontal: space(4),
            paddingVertical: space(1),
            borderBottomWidth: 1,
            borderColor: palette.line,
          }}
        >
          <View>
            <View style={{ flexDirection: 'row', gap: space(3), alignItems: 'center' }}>
              <View style={{ flex: 1 }}>
                <Words size="name" lines={1}>
                  {name}
                </Words>
              </View>
              <Bar totals={totals} width={84} />
              <View style={{ width: 56, alignItems: 'flex-end' }}>
                <Words bold figures>
                  {totals.percent === null ? '–' : `${Math.round(totals.percent)} %`}
                </Words>
              </View>
            </View>
            <Words size="small" tone="inkQuiet" lines={1}>
              {[note, detail(totals)].filter(Boolean).join(' · ')}
            </Words>
          </View>
        </TouchableRipple>
      ))}
    </Card>
  );
}

/** What the bar does not show, in words; nothing of what is not. */
function detail(totals: Totals): string {
  const { taken, lessons, away, excused, late, minutesLate, notTaken, awayByLates, minutesThere } = totals;
  if (taken === 0) return notTaken > 0 ? `${notTaken} not taken` : 'no lesson yet';
  return [
    `${taken - away} of ${taken}`,
    away > excused ? `${away - excused} away` : '',
    excused > 0 ? `${excused} excused` : '',
    late > 0 ? `${late} late, ${minutesLate} min` : '',
    awayByLates > 0 ? `lates count as ${awayByLates} away` : '',
    lessons > taken ? `${notTaken} not taken` : '',
    hours(minutesThere),
  ]
    .filter(Boolean)
    .join(' · ');
}

function Heading({
  title,
  width,
  sorted,
  onPress,
}: {
  title: string;
  width: number;
  sorted: boolean;
  onPress: () => void;
}) {
  return (
    <TouchableRipple
      role="button"
      aria-label={`Sort by ${title}${sorted ? ', sorted so' : ''}`}
      onPress={onPress}
      style={{
        width,
        minHeight: 44,
        justifyContent: 'center',
        alignItems: 'flex-end',
        paddingRight: space(2),
      }}
    >
      <Words size="small" tone={sorted ? 'ink' : 'inkQuiet'} bold={sorted}>
        {sorted ? `${title} ↓` : title}
      </Words>
    </TouchableRipple>
  );
}

/** Wide: the same with every sum in a column; the headings sort. */
export function TotalsTable({ lines, sorting, onSort }: TotalsListProps) {
  const palette = usePalette();
  const open = useOpenStudent();
  return (
    <Card style={{ padding: 0, alignSelf: 'flex-start' }}>
      <View style={{ flexDirection: 'row', borderBottomWidth: 2, borderColor: palette.line }}>
        <TouchableRipple
          role="button"
          aria-label={`Sort by name${sorting === 'name' ? ', sorted so' : ''}`}
          onPress={() => {
            onSort('name');
          }}
          style={{ width: 340, minHeight: 44, justifyContent: 'center', paddingLeft: space(4) }}
        >
          <Words size="small" tone={sorting === 'name' ? 'ink' : 'inkQuiet'} bold={sorting === 'name'}>
            {sorting === 'name' ? 'name ↓' : 'name'}
          </Words>
        </TouchableRipple>
        {columns.map(({ sorting: by, title, width }) => (
          <Heading
            key={title}
            title={title}
            width={width}
            sorted={by === sorting}
            onPress={() => {
              onSort(by);
            }}
          />
        ))}
      </View>
      {lines.map(({ key, name, note, studentId, totals }) => (
        <View
          key={key}
          style={{
            flexDirection: 'row',
            alignItems: 'center',
            borderBottomWidth: 1,
            borderColor: palette.line,
          }}
        >
          <TouchableRipple
            role={studentId ? 'link' : undefined}
            aria-label={`${name}: ${totalsWords(totals)}`}
            disabled={!studentId}
            onPress={() => {
              open(studentId);
            }}
            style={{ width: 340, minHeight: 48, justifyContent: 'center', paddingLeft: space(4) }}
          >
            <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(3) }}>
              <View style={{ flex: 1 }}>
                <Words lines={1}>{name}</Words>
                {note ? (
                  <Words size="small" tone="inkQuiet" lines={1}>
                    {note}
                  </Words>
                ) : null}
              </View>
              <Bar totals={totals} width={110} />
            </View>
          </TouchableRipple>
          {columns.map(({ title, width, of }) => (
            <View key={title} style={{ width, alignItems: 'flex-end', paddingRight: space(2) }}>
              <Words figures>{of(totals)}</Words>
            </View>
          ))}
        </View>
      ))}
    </Card>
  );
}

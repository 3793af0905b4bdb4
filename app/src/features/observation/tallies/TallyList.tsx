import Undo2 from 'lucide-react-native/icons/undo-2';
import { View } from 'react-native';
import { localMoment } from '@slate-path/core/calendar/zone';
import type { Lesson, LookFor } from '@slate-path/core/records/schema';
import { durationWords } from '@slate-path/core/observation/tallies/duration';
import { tallyHistory } from '@slate-path/core/observation/tallies/history';
import { IconAction } from '../../../parts/IconAction';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import type { LessonRow } from '../../attendance/lesson/lessonRow';
import { zoneOf } from '../../../sync/clock';
import { makeChange } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';

interface TallyListProps {
  lesson: Lesson;
  rows: readonly LessonRow[];
  names: ReadonlyMap<string, string>;
  /** How many of the latest are shown. */
  most: number;
}

const amountIn = (lookFor: LookFor | undefined, amount: number) =>
  lookFor?.measure === 'seconds' ? durationWords(amount) : String(amount);

/** What was seen, latest first, with its minute; each can be taken out. */
export function TallyList({ lesson, rows, names, most }: TallyListProps) {
  const palette = usePalette();
  const tallies = useRecords((state) => state.current.tally);
  const lookFors = useRecords((state) => state.current.lookFor);
  const zone = useRecords((state) => zoneOf(Object.values(state.current.school)[0]));
  const lessonIds = new Set([lesson.id, ...rows.map((row) => row.lesson.id)]);
  const own = Object.values(tallies)
    .filter((tally) => !tally.removed && lessonIds.has(tally.lessonId))
    .sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : a.id < b.id ? 1 : -1));
  if (own.length === 0) return <Words tone="inkQuiet">What you tally stands here, minute by minute.</Words>;
  return (
    <View role="list" aria-label="What was seen">
      {own.slice(0, most).map(({ id, at, studentId, lookForId, lessonId, amount, correctedFrom }) => {
        const lookFor = lookFors[lookForId];
        const who = studentId === null ? 'Whole class' : (names.get(studentId) ?? 'Somebody no longer here');
        const what =
          correctedFrom !== null
            ? `${lookFor?.name ?? ''}, set right from ${amountIn(lookFor, correctedFrom)} to ${amountIn(lookFor, correctedFrom + (amount ?? 0))}`
            : `${lookFor?.name ?? ''}${lookFor?.measure === 'seconds' ? (amount === null ? ', running' : `, ${durationWords(amount)}`) : ''}`;
        const { time } = localMoment(Date.parse(at), zone);
        return (
          <View
            key={id}
            role="listitem"
            style={{
              flexDirection: 'row',
              alignItems: 'center',
              gap: space(2),
              borderBottomWidth: 1,
              borderColor: palette.line,
            }}
          >
            <Words size="small" figures tone="inkQuiet">
              {time}
            </Words>
            <View style={{ flex: 1 }}>
              <Words lines={1}>{who}</Words>
              <Words size="small" tone={lookFor?.tone === 'unwanted' ? 'clay' : 'inkQuiet'} lines={2}>
                {what}
              </Words>
            </View>
            <IconAction
              name={`Take out ${who}, ${what}, ${time}`}
              icon={Undo2}
              tone="inkQuiet"
              onPress={() => {
                makeChange('tally.remove', { id, lessonId }, tallyHistory(lesson.id));
              }}
            />
          </View>
        );
      })}
      {own.length > most ? (
        <Words size="small" tone="inkQuiet" style={{ paddingTop: space(2) }}>
          {`and ${own.length - most} earlier`}
        </Words>
      ) : null}
    </View>
  );
}

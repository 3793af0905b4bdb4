import { View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import type { Mark } from '@slate-path/core/records/schema';
import { rulesFor } from '@slate-path/core/attendance/roll/book';
import { plannedKey, type PlannedMark } from '@slate-path/core/attendance/roll/planMark';
import { presenceOf } from '@slate-path/core/attendance/roll/presence';
import { presenceSpoken, sourceWords } from '@slate-path/core/attendance/roll/words';
import { Card } from '../../../parts/Card';
import { shortDay } from '../../../parts/dates';
import { TickRow } from '../../../parts/TickRow';
import { Words } from '../../../parts/Words';
import { useRecords } from '../../../sync/useRecords';
import { rollBook } from './lessons';

interface PlannedMarksProps {
  items: readonly PlannedMark[];
  /** What is said where there is none. */
  none: string;
  /** All are of one lesson, which is said elsewhere. */
  oneLesson?: boolean;
  isIn: (item: PlannedMark) => boolean;
  onDecide: (item: PlannedMark, decision: boolean) => void;
}

/** Every mark that would be made: what is new, what replaces what; each can be left out. */
export default function PlannedMarks({ items, none, oneLesson, isIn, onDecide }: PlannedMarksProps) {
  const current = useRecords((state) => state.current);
  const book = rollBook(current);
  if (items.length === 0) return <Words tone="inkQuiet">{none}</Words>;
  const wordsOf = (
    item: PlannedMark,
    mark: Pick<Mark, 'standingId' | 'arrivedAt' | 'leftAt'> | undefined,
  ) => {
    const standing = mark?.standingId ? book.standings[mark.standingId] : undefined;
    const presence = presenceOf(item.lesson, mark, standing, rulesFor(book, item.lesson.sectionId));
    return presenceSpoken(presence, mark, standing);
  };
  const several = new Set(items.map(({ mark }) => mark.studentId)).size > 1;
  const counts = (fate: PlannedMark['fate']) => items.filter((item) => item.fate === fate).length;
  const summary = [
    [counts('new'), 'new'],
    [counts('replaces'), 'in place of another mark'],
    [counts('same'), 'already so'],
  ]
    .filter(([count]) => count !== 0)
    .map(([count, words]) => `${count} ${words}`);
  return (
    <View>
      <Words bold live>
        {summary.join(', ')}
      </Words>
      <Card style={{ padding: 0, marginTop: 8 }}>
        {items.map((item) => {
          const { lesson, mark, fate, before, fromElsewhere } = item;
          const student = current.student[mark.studentId];
          const when = oneLesson ? '' : `${shortDay(lesson.date)}, ${lesson.startsAt}`;
          const who = (several || oneLesson) && student ? displayName(student) : '';
          const title = [who, when].filter(Boolean).join(', ');
          const section = oneLesson ? '' : (current.section[lesson.sectionId]?.name ?? '');
          const will = wordsOf(item, mark);
          const was = wordsOf(item, before);
          const what =
            fate === 'same'
              ? `already ${will}`
              : fate === 'new'
                ? `${will} · new`
                : [
                    `${will} instead of ${was}`,
                    fromElsewhere && (before ? sourceWords[before.source] : 'as the roll was taken'),
                  ]
                    .filter(Boolean)
                    .join(', ');
          return (
            <TickRow
              key={plannedKey(item)}
              name={`${title}: ${what}`}
              ticked={isIn(item)}
              onChange={(decision) => {
                onDecide(item, decision);
              }}
            >
              <Words figures>{[title, section].filter(Boolean).join(' · ')}</Words>
              <Words
                size="small"
                tone={fate === 'replaces' && before ? 'ochre' : 'inkQuiet'}
                bold={before !== undefined}
              >
                {what}
              </Words>
            </TickRow>
          );
        })}
      </Card>
    </View>
  );
}

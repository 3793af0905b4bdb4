import { View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import type { Mark } from '@slate-path/core/records/schema';
import { rulesFor } from '@slate-path/core/roll/book';
import type { RangeItem } from '@slate-path/core/roll/planRange';
import { presenceOf } from '@slate-path/core/roll/presence';
import { presenceSpoken } from '@slate-path/core/roll/words';
import { Card } from '../../parts/Card';
import { shortDay } from '../../parts/dates';
import { TickRow } from '../../parts/TickRow';
import { Words } from '../../parts/Words';
import { rollBook } from '../lesson/lessons';
import { useRecords } from '../records/useRecords';
import { itemKey } from './recordRange';

interface RangeListProps {
  items: readonly RangeItem[];
  /** No student is chosen yet. */
  nobody: boolean;
  isIn: (item: RangeItem) => boolean;
  onDecide: (item: RangeItem, decision: boolean) => void;
}

/** Every mark that would be made: what is new, what replaces what; each can be left out. */
export function RangeList({ items, nobody, isIn, onDecide }: RangeListProps) {
  const current = useRecords((state) => state.current);
  const book = rollBook(current);
  if (items.length === 0)
    return (
      <Words tone="inkQuiet">
        {nobody
          ? 'Choose the students.'
          : 'There are no lessons in these days: days off and lessons set aside are skipped.'}
      </Words>
    );
  const wordsOf = (item: RangeItem, mark: Pick<Mark, 'standingId' | 'arrivedAt' | 'leftAt'> | undefined) => {
    const standing = mark?.standingId ? book.standings[mark.standingId] : undefined;
    const presence = presenceOf(item.lesson, mark, standing, rulesFor(book, item.lesson.sectionId));
    return presenceSpoken(presence, mark, standing);
  };
  const several = new Set(items.map(({ mark }) => mark.studentId)).size > 1;
  const counts = (fate: RangeItem['fate']) => items.filter((item) => item.fate === fate).length;
  const summary = [
    [counts('new'), 'new'],
    [counts('replaces'), 'instead of something'],
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
          const { lesson, mark, fate, before, byHand } = item;
          const student = current.student[mark.studentId];
          const when = `${shortDay(lesson.date)}, ${lesson.startsAt}`;
          const name = several && student ? `${displayName(student)}, ` : '';
          const will = wordsOf(item, mark);
          const was = wordsOf(item, before);
          const what =
            fate === 'same'
              ? `already ${will}`
              : fate === 'new'
                ? `${will} · new`
                : `${will} instead of ${was}${byHand ? ', marked by hand' : ''}`;
          return (
            <TickRow
              key={itemKey(item)}
              name={`${name}${when}: ${what}`}
              ticked={isIn(item)}
              onChange={(decision) => {
                onDecide(item, decision);
              }}
            >
              <Words figures>{`${name}${when} · ${current.section[lesson.sectionId]?.name ?? ''}`}</Words>
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

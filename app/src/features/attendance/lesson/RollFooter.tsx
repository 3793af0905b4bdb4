import Check from 'lucide-react-native/icons/check';
import { memo, useCallback } from 'react';
import { View } from 'react-native';
import { displayName, shortName } from '@slate-path/core/people/names';
import type { Lesson } from '@slate-path/core/records/schema';
import { rollCounts, rollCountWords } from '@slate-path/core/attendance/roll/rollCounts';
import { Action } from '../../../parts/Action';
import { Words } from '../../../parts/Words';
import { usePalette, useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { TakeBack } from '../../../sync/TakeBack';
import { historyOf } from './lessons';
import type { LessonRow } from './lessonRow';
import { isAhead, takeAllHere } from './marking';

/** Given names, with the family name where two here share one. */
function namesOf(some: readonly LessonRow[], all: readonly LessonRow[]): string {
  const short = ({ student }: LessonRow) => {
    const name = shortName(student);
    const namesakes = all.filter((other) => shortName(other.student) === name);
    return namesakes.length > 1 ? displayName(student) : name;
  };
  return some.map(short).join(', ');
}

/** Who is away, and how the others are there. */
function summaryOf(rows: readonly LessonRow[]): { headline: string; detail: string } {
  const counts = rollCounts(rows.map(({ presence }) => presence));
  const away = rows.filter(({ presence }) => presence.away);
  const names = namesOf(away, rows);
  const headline = counts.away === 0 ? 'Nobody away' : `${counts.away} away`;
  return { headline, detail: [names, rollCountWords(counts)].filter(Boolean).join(' · ') };
}

/** Before the roll is taken: whose absence is known already, and what to do. */
function untakenOf(rows: readonly LessonRow[], ahead: boolean): { headline: string; detail: string } {
  const planned = rows.filter(({ presence }) => presence.away);
  if (ahead)
    return planned.length === 0
      ? { headline: 'Not taken yet', detail: 'Tap who is known to be away; the roll is taken on the day.' }
      : {
          headline: `Planned away: ${planned.length}`,
          detail: `${namesOf(planned, rows)}. The roll is taken on the day.`,
        };
  return {
    headline: 'Not taken yet',
    detail:
      planned.length === 0
        ? 'Tap who is away; everyone else is here.'
        : `Planned away: ${namesOf(planned, rows)}. Tap who else is.`,
  };
}

/** Who is away, readable at arm's length; and the one thing to do next. */
export const RollFooter = memo(function RollFooter({
  lesson,
  rows,
  loading,
}: {
  lesson: Lesson;
  rows: readonly LessonRow[];
  /**
   * Nothing of this day has been on this device yet, and the server is asked for it. It is told here, where no
   * row of the roll moves by it.
   */
  loading: boolean;
}) {
  const palette = usePalette();
  const wide = useWide();
  const taken = lesson.takenAt !== null;
  const ahead = isAhead(lesson);
  const all = useCallback(() => {
    takeAllHere(lesson);
  }, [lesson]);
  const planned = !taken && rows.some(({ presence }) => presence.away);
  const { headline, detail } = taken
    ? summaryOf(rows)
    : loading
      ? { headline: 'Fetching this day', detail: 'Its marks are on their way. A tap counts all the same.' }
      : untakenOf(rows, ahead);
  return (
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: space(3),
        paddingVertical: space(2),
        paddingHorizontal: space(4),
        borderTopWidth: 1,
        borderColor: palette.line,
        backgroundColor: palette.surface,
        minHeight: 94,
      }}
    >
      <View style={{ flex: 1 }} aria-live="polite" testID="roll-summary">
        <Words size="large" bold>
          {headline}
        </Words>
        <Words tone="inkQuiet" lines={2}>
          {detail}
        </Words>
      </View>
      <TakeBack about={historyOf(lesson)} always={taken || ahead} small={!(taken || ahead || wide)} />
      {taken || ahead ? null : (
        <Action label={planned ? 'All others here' : 'All here'} kind="main" icon={Check} onPress={all} />
      )}
    </View>
  );
});

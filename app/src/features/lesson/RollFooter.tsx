import Check from 'lucide-react-native/icons/check';
import { memo, useCallback } from 'react';
import { View } from 'react-native';
import { displayName, shortName } from '@slate-path/core/people/names';
import type { Lesson, Student } from '@slate-path/core/records/schema';
import type { RollRow } from '@slate-path/core/roll/rollRows';
import { Action } from '../../parts/Action';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { TakeBack } from '../records/TakeBack';
import { historyOf } from './lessons';
import { takeAllHere } from './marking';

/** Given names, with the family name where two here share one. */
function namesOf(students: readonly Student[], all: readonly Student[]): string {
  const short = (student: Student) => {
    const name = shortName(student);
    return all.filter((other) => shortName(other) === name).length > 1 ? displayName(student) : name;
  };
  return students.map(short).join(', ');
}

function summaryOf(rows: readonly RollRow[]): { headline: string; detail: string } {
  const all = rows.map(({ student }) => student);
  const away = rows.filter(({ presence }) => presence.away);
  const late = rows.filter(({ presence }) => presence.late).length;
  const left = rows.filter(({ presence }) => presence.leftEarly).length;
  const aside = rows.filter(({ presence }) => presence.setAside).length;
  const counts = [
    late > 0 ? `${late} late` : '',
    left > 0 ? `${left} left early` : '',
    aside > 0 ? `${aside} set aside` : '',
    `${rows.length - away.length - aside} here`,
  ];
  const names = namesOf(
    away.map(({ student }) => student),
    all,
  );
  const headline = away.length === 0 ? 'Nobody away' : `${away.length} away`;
  return { headline, detail: [names, ...counts].filter(Boolean).join(' · ') };
}

/** Who is away, readable at arm's length; and the one thing to do next. */
export const RollFooter = memo(function RollFooter({
  lesson,
  rows,
  loading,
}: {
  lesson: Lesson;
  rows: readonly RollRow[];
  /**
   * Nothing of this day has been on this device yet, and the server is asked for it. It is told here, where no
   * row of the roll moves by it.
   */
  loading: boolean;
}) {
  const palette = usePalette();
  const taken = lesson.takenAt !== null;
  const all = useCallback(() => {
    takeAllHere(lesson);
  }, [lesson]);
  const { headline, detail } = taken
    ? summaryOf(rows)
    : loading
      ? { headline: 'Fetching this day', detail: 'Its marks are on their way. A tap counts all the same.' }
      : { headline: 'Not taken yet', detail: 'Tap who is away; everyone else is here.' };
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
        minHeight: 76,
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
      <TakeBack about={historyOf(lesson)} always={taken} />
      {taken ? null : <Action label="All here" kind="main" icon={Check} onPress={all} />}
    </View>
  );
});

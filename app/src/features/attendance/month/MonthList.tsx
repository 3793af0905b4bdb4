import { useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { displayName } from '@slate-path/core/people/names';
import { Card } from '../../../parts/Card';
import { shortDay } from '../../../parts/dates';
import { OarMarks } from '../../../parts/OarMarks';
import { OarRow } from '../../../parts/OarRow';
import { PresenceBar, PresenceBars } from '../../../parts/PresenceBar';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { rowHeight, space } from '../../../theme/tokens';
import { totalsWords } from './totalsWords';
import type { OpenMark } from './openMark';
import type { MonthOfClass, MonthRow } from './useMonth';

/** One student's lessons of the month by day; a tap corrects one. */
function StudentMonth({
  row,
  month,
  onOpen,
  onClose,
}: {
  row: MonthRow;
  month: MonthOfClass;
  onOpen: (open: OpenMark) => void;
  onClose: () => void;
}) {
  const palette = usePalette();
  return (
    <Sheet title={displayName(row.student)} note={totalsWords(row.totals)} onClose={onClose}>
      <View>
        {month.lessons.map((lesson, index) => {
          const entry = row.entries[index];
          if (!entry) return null;
          return (
            <TouchableRipple
              key={lesson.id}
              role="button"
              aria-label={`${shortDay(lesson.date)}: ${entry.words}`}
              onPress={() => {
                onOpen({ lessonId: lesson.id, studentId: row.student.id });
              }}
              style={{
                minHeight: rowHeight,
                justifyContent: 'center',
                borderBottomWidth: 1,
                borderColor: palette.line,
              }}
            >
              <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(3) }}>
                <View style={{ width: 110 }}>
                  <Words figures>{shortDay(lesson.date)}</Words>
                </View>
                <PresenceBar shape={entry.shape} width={60} />
                {entry.level === null ? null : <OarMarks level={entry.level} size={18} />}
                <View style={{ flex: 1 }}>
                  <Words size="small" tone="inkQuiet">
                    {entry.words === 'here' ? '' : entry.words}
                  </Words>
                </View>
              </View>
            </TouchableRipple>
          );
        })}
      </View>
    </Sheet>
  );
}

/** More lessons than this stand in several lines, all equally long. */
const mostInLine = 31;
/** Between the edge of the phone and the bars, on both sides together, in pixels. */
const besideBars = space(16);
const widestStep = 27;

/** How many bars stand in a line, and how far they are from each other: the month fills the line once. */
function barLines(lessons: number, width: number): { perLine: number; step: number } {
  const lines = Math.max(1, Math.ceil(lessons / mostInLine));
  const perLine = Math.max(1, Math.ceil(lessons / lines));
  return { perLine, step: Math.min(widestStep, Math.floor((width - besideBars) / perLine)) };
}

function chunks<T>(items: readonly T[], size: number): T[][] {
  return Array.from({ length: Math.ceil(items.length / size) }, (_, i) =>
    items.slice(i * size, (i + 1) * size),
  );
}

/** Phone: a student a row, the month as a string of bars; the row opens its days. */
export function MonthList({ month, onOpen }: { month: MonthOfClass; onOpen: (open: OpenMark) => void }) {
  const palette = usePalette();
  const [chosen, setChosen] = useState<string | null>(null);
  const row = month.rows.find(({ enrolment }) => enrolment.id === chosen);
  const { width } = useWindowDimensions();
  const { perLine, step } = barLines(month.lessons.length, width);
  const barWidth = Math.max(5, step - Math.max(2, Math.round(step / 9)));
  return (
    <>
      <Card style={{ padding: 0 }}>
        {month.rows.map(({ student, enrolment, entries, totals }) => (
          <TouchableRipple
            key={enrolment.id}
            testID="month-row"
            role="button"
            aria-label={`${displayName(student)}: ${totalsWords(totals)}`}
            onPress={() => {
              setChosen(enrolment.id);
            }}
            style={{
              paddingHorizontal: space(4),
              paddingVertical: space(1),
              justifyContent: 'center',
              minHeight: rowHeight,
              borderBottomWidth: 1,
              borderColor: palette.line,
            }}
          >
            <View style={{ gap: 2 }}>
              <View style={{ flexDirection: 'row', gap: space(2) }}>
                <View style={{ flex: 1 }}>
                  <Words size="name" lines={1}>
                    {displayName(student)}
                  </Words>
                </View>
                <Words figures bold>
                  {totals.taken === 0 ? '' : `${totals.taken - totals.away} of ${totals.taken}`}
                </Words>
              </View>
              {chunks(entries, perLine).map((some, index) => (
                <View key={index} style={{ gap: 2 }}>
                  <PresenceBars
                    shapes={some.map((entry) => entry?.shape ?? null)}
                    width={barWidth}
                    height={10}
                    step={step}
                  />
                  <OarRow levels={some.map((entry) => entry?.level ?? null)} width={barWidth} step={step} />
                </View>
              ))}
            </View>
          </TouchableRipple>
        ))}
      </Card>
      {row ? (
        <StudentMonth
          row={row}
          month={month}
          onClose={() => {
            setChosen(null);
          }}
          onOpen={(open) => {
            setChosen(null);
            onOpen(open);
          }}
        />
      ) : null}
    </>
  );
}

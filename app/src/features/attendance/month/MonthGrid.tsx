import { memo } from 'react';
import { ScrollView, View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import type { Lesson } from '@slate-path/core/records/schema';
import type { Totals } from '@slate-path/core/attendance/roll/totals';
import { Card } from '../../../parts/Card';
import { shortDay } from '../../../parts/dates';
import { DayHead } from '../../../parts/DayHead';
import { OarRow } from '../../../parts/OarRow';
import { PresenceBars } from '../../../parts/PresenceBar';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { space, target } from '../../../theme/tokens';
import type { OpenMark } from './openMark';
import type { MonthOfClass, MonthRow } from './useMonth';

const nameWidth = 182;
const totalWidth = 56;
const barWidth = 32;
const barHeight = 11;
const square = { width: target, height: target };
/** "10 of 10" needs more room. */
const widestTotal = 80;

const totalColumns: [title: string, of: (totals: Totals) => string][] = [
  ['there', ({ percent }) => (percent === null ? '–' : `${Math.round(percent)} %`)],
  ['away', ({ away }) => String(away)],
  ['excused', ({ excused }) => String(excused)],
  ['late', ({ late }) => String(late)],
  ['minutes', ({ minutesLate }) => String(minutesLate)],
  ['taken', ({ taken, lessons }) => `${taken} of ${lessons}`],
];

function Total({ children, heading, widest }: { children: string; heading?: boolean; widest?: boolean }) {
  return (
    <View
      style={{
        width: widest ? widestTotal : totalWidth,
        alignItems: 'flex-end',
        justifyContent: 'center',
        paddingRight: space(1),
      }}
    >
      <Words size="small" tone={heading ? 'inkQuiet' : 'ink'} figures>
        {children}
      </Words>
    </View>
  );
}

function Heading({ lessons }: { lessons: readonly Lesson[] }) {
  return (
    <View style={{ flexDirection: 'row', paddingVertical: space(2) }}>
      <View style={{ width: nameWidth }} />
      {lessons.map(({ id, date }) => (
        <DayHead key={id} date={date} width={target} />
      ))}
      {totalColumns.map(([title]) => (
        <Total key={title} heading widest={title === 'taken'}>
          {title}
        </Total>
      ))}
    </View>
  );
}

interface GridRowProps {
  row: MonthRow;
  lessons: readonly Lesson[];
  onOpen: (open: OpenMark) => void;
}

const GridRow = memo(function GridRow({ row, lessons, onOpen }: GridRowProps) {
  const palette = usePalette();
  const name = displayName(row.student);
  return (
    <View testID="month-row" style={{ flexDirection: 'row', borderTopWidth: 1, borderColor: palette.line }}>
      <View style={{ width: nameWidth, justifyContent: 'center', paddingLeft: space(4) }}>
        <Words lines={1}>{name}</Words>
      </View>
      <View style={{ flexDirection: 'row', width: lessons.length * target }}>
        <View style={{ position: 'absolute', left: (target - barWidth) / 2, top: (target - barHeight) / 2 }}>
          <PresenceBars
            shapes={row.entries.map((entry) => entry?.shape ?? null)}
            width={barWidth}
            height={barHeight}
            step={target}
          />
          <View style={{ position: 'absolute', left: 0, top: barHeight + 4 }}>
            <OarRow
              levels={row.entries.map((entry) => entry?.level ?? null)}
              width={barWidth}
              step={target}
            />
          </View>
        </View>
        {lessons.map((lesson, index) => {
          const entry = row.entries[index];
          if (!entry) return <View key={lesson.id} style={{ width: target }} />;
          return (
            <TapArea
              key={lesson.id}
              name={`${name}, ${shortDay(lesson.date)}: ${entry.words}`}
              onTap={() => {
                onOpen({ lessonId: lesson.id, studentId: row.student.id });
              }}
              style={square}
            />
          );
        })}
      </View>
      {totalColumns.map(([title, of]) => (
        <Total key={title} widest={title === 'taken'}>
          {of(row.totals)}
        </Total>
      ))}
    </View>
  );
});

/** Wide: lessons beside each other, a student a line, what it adds up to at the right. */
export function MonthGrid({ month, onOpen }: { month: MonthOfClass; onOpen: (open: OpenMark) => void }) {
  const palette = usePalette();
  const { lessons, rows, counts } = month;
  return (
    <Card style={{ padding: 0, alignSelf: 'flex-start', maxWidth: '100%' }}>
      <ScrollView horizontal>
        <View>
          <Heading lessons={lessons} />
          {rows.map((row) => (
            <GridRow key={row.enrolment.id} row={row} lessons={lessons} onOpen={onOpen} />
          ))}
          <View
            style={{
              flexDirection: 'row',
              borderTopWidth: 2,
              borderColor: palette.line,
              paddingVertical: space(2),
            }}
          >
            <View style={{ width: nameWidth, paddingLeft: space(4) }}>
              <Words size="small" tone="inkQuiet">
                Away in the lesson
              </Words>
            </View>
            {lessons.map(({ id }, index) => (
              <View key={id} style={{ width: target, alignItems: 'center' }}>
                <Words size="small" figures>
                  {counts[index] ? String(counts[index].away) : ''}
                </Words>
              </View>
            ))}
          </View>
        </View>
      </ScrollView>
    </Card>
  );
}

import Pencil from 'lucide-react-native/icons/pencil';
import { useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { addDays } from '@slate-path/core/calendar/localTime';
import { displayName } from '@slate-path/core/people/names';
import type { Lesson } from '@slate-path/core/records/schema';
import { sweepHistory } from '@slate-path/core/observation/sweep/history';
import { levels } from '@slate-path/core/observation/sweep/levels';
import { sweepRows, type SweepRow } from '@slate-path/core/observation/sweep/sweepRows';
import { IconAction } from '../../../parts/IconAction';
import { OarMarks } from '../../../parts/OarMarks';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { usePalette, useWide } from '../../../theme/theme';
import { radius, rowHeight, space } from '../../../theme/tokens';
import { useAllLessons } from '../../attendance/lesson/lessons';
import { isAway } from '../../attendance/lesson/isAway';
import type { LessonRow } from '../../attendance/lesson/lessonRow';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';
import { useShownNames } from '../../attendance/lesson/useShownNames';
import { LevelNamesSheet } from './LevelNamesSheet';
import { LevelSlide } from './LevelSlide';
import { setLevels, useLevelNames } from './sweeping';

interface SweepPanelProps {
  lesson: Lesson;
  rows: readonly LessonRow[];
}

const daysBefore = 28;

/** The lesson's sweep beside the last ones of the class. */
function useSweep(lesson: Lesson, rows: readonly LessonRow[]): SweepRow[] {
  const from = addDays(lesson.date, -daysBefore);
  useView(addressOf('sweeps', { sectionId: lesson.sectionId, from, to: lesson.date }));
  const sweeps = useRecords(({ current }) => current.sweep);
  const lessons = useAllLessons();
  return useMemo(() => {
    const before = (one: Lesson) =>
      one.date < lesson.date || (one.date === lesson.date && one.startsAt < lesson.startsAt);
    return rows.flatMap(({ student, lesson: own }) => {
      const earlier = lessons.filter(
        (one) => one.sectionId === own.sectionId && one.date >= from && before(one),
      );
      return sweepRows(own.id, [student.id], earlier, Object.values(sweeps));
    });
  }, [sweeps, lessons, rows, lesson, from]);
}

/** What a sweep is, said until there is one. */
function sweepWords([lowest = '', second = '', third = '', highest = '']: readonly string[]): string {
  return `A sweep says how engaged everyone is, in one go. ${lowest}: takes no part. ${second}: goes along. ${third}: works. ${highest}: leads the work.`;
}

/** Everyone at one level with one tap, then the few who are not. */
export default function SweepPanel({ lesson, rows }: SweepPanelProps) {
  const palette = usePalette();
  const wide = useWide();
  const names = useShownNames(rows);
  const levelNames = useLevelNames();
  const sweep = useSweep(lesson, rows);
  const [naming, setNaming] = useState(false);
  const here = rows.filter((row) => !isAway(row));
  const isFirst = sweep.every(({ level, before }) => level === null && before.length === 0);
  const found = new Map(sweep.map((row) => [row.studentId, row]));
  const set = here.filter(({ student }) => found.get(student.id)?.level != null);
  const adrift = set.filter(({ student }) => found.get(student.id)?.level === 0);
  const everyone = (level: number) => {
    for (const own of new Set(here.map((row) => row.lesson)))
      setLevels(
        own,
        here.filter((row) => row.lesson === own).map(({ student }) => student.id),
        level,
        lesson,
      );
  };
  const half = Math.ceil(rows.length / 2);
  const columns = wide ? [rows.slice(0, half), rows.slice(half)] : [rows];
  return (
    <View style={{ flex: 1 }}>
      <ScrollView style={{ flex: 1, backgroundColor: palette.ground }}>
        <View role="group" aria-label="Sweep" style={{ flexDirection: 'row' }}>
          {columns.map((column, index) => (
            <View key={index} style={{ flex: 1, borderLeftWidth: index, borderColor: palette.line }}>
              {column.map((row) => {
                const { student } = row;
                const { level = null, before = [] } = found.get(student.id) ?? {};
                return (
                  <View
                    key={student.id}
                    style={{
                      flexDirection: 'row',
                      alignItems: 'center',
                      gap: space(2),
                      minHeight: rowHeight,
                      paddingHorizontal: space(3),
                      borderBottomWidth: 1,
                      borderColor: palette.line,
                    }}
                  >
                    <View style={{ flex: 1 }}>
                      <Words tone={isAway(row) ? 'inkQuiet' : 'ink'} lines={1}>
                        {wide ? displayName(student) : (names.get(student.id) ?? '')}
                      </Words>
                      {before.length > 0 ? (
                        <View
                          style={{ flexDirection: 'row' }}
                          role="img"
                          aria-label={`before: ${before.map((one) => levelNames[one]).join(', ')}`}
                        >
                          {before.map((one, at) => (
                            <OarMarks key={at} level={one} tone="inkQuiet" size={20} />
                          ))}
                        </View>
                      ) : null}
                    </View>
                    {isAway(row) ? (
                      <Words tone="inkQuiet">away</Words>
                    ) : (
                      <LevelSlide
                        name={displayName(student)}
                        level={level}
                        levelNames={levelNames}
                        onLevel={(next) => {
                          setLevels(row.lesson, [student.id], next, lesson);
                        }}
                      />
                    )}
                  </View>
                );
              })}
            </View>
          ))}
        </View>
        {isFirst ? (
          <View style={{ padding: space(3) }}>
            <Words tone="inkQuiet">{sweepWords(levelNames)}</Words>
          </View>
        ) : null}
      </ScrollView>
      <View
        style={{
          paddingHorizontal: space(4),
          paddingVertical: space(2),
          gap: space(2),
          borderTopWidth: 1,
          borderColor: palette.line,
          backgroundColor: palette.surface,
        }}
      >
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(1), height: 68 }}>
          <View style={{ flex: 1 }} aria-live="polite" testID="sweep-summary">
            <Words bold>{set.length === 0 ? 'Everyone at…' : `${set.length} of ${here.length} set`}</Words>
            <Words size="small" tone="inkQuiet" lines={2}>
              {adrift.length > 0
                ? `${levelNames[0] ?? ''}: ${adrift.map(({ student }) => names.get(student.id) ?? '').join(', ')}`
                : 'then tap or slide the few who are not'}
            </Words>
          </View>
          <TakeBack about={sweepHistory(lesson.id)} />
          <IconAction
            name="Rename the levels"
            icon={Pencil}
            onPress={() => {
              setNaming(true);
            }}
          />
        </View>
        <View role="group" aria-label="Everyone at one level" style={{ flexDirection: 'row', gap: space(2) }}>
          {levels.map((level) => (
            <TapArea
              key={level}
              name={`Everyone ${levelNames[level] ?? ''}`}
              onTap={() => {
                everyone(level);
              }}
              style={{
                flex: 1,
                minHeight: 60,
                alignItems: 'center',
                justifyContent: 'center',
                borderWidth: 1,
                borderRadius: radius.control,
                borderColor: palette.line,
                backgroundColor: palette.surface,
              }}
            >
              <OarMarks level={level} />
              <Words size="small" lines={1}>
                {levelNames[level] ?? ''}
              </Words>
            </TapArea>
          ))}
        </View>
      </View>
      {naming ? (
        <LevelNamesSheet
          names={levelNames}
          onClose={() => {
            setNaming(false);
          }}
        />
      ) : null}
    </View>
  );
}

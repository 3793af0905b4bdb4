import { useRouter } from 'expo-router';
import { useCallback, useMemo, useRef, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { addDays } from '@slate-path/core/calendar/localTime';
import { displayName } from '@slate-path/core/people/names';
import { groupBy } from '@slate-path/core/records/groupBy';
import type { Lesson } from '@slate-path/core/records/schema';
import { sweepHistory } from '@slate-path/core/observation/sweep/history';
import { sweepRows, type SweepRow as Swept } from '@slate-path/core/observation/sweep/sweepRows';
import { Board } from '../../../parts/Board';
import { Words } from '../../../parts/Words';
import { usePalette, useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { useAllLessons } from '../../attendance/lesson/lessons';
import { isAway } from '../../attendance/lesson/isAway';
import { rollShape } from '../../attendance/lesson/keptShape';
import type { LessonRow } from '../../attendance/lesson/lessonRow';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';
import { useShownNames } from '../../attendance/lesson/useShownNames';
import { LevelNamesSheet } from './LevelNamesSheet';
import { SweepFooter } from './SweepFooter';
import { SweepRow } from './SweepRow';
import { SweepTile } from './SweepTile';
import { setLevels, useLevelNames } from './sweeping';

interface SweepPanelProps {
  lesson: Lesson;
  rows: readonly LessonRow[];
}

const daysBefore = 28;

/** The lesson's sweep beside the last ones of the class. */
function useSweep(lesson: Lesson, rows: readonly LessonRow[]): Swept[] {
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

/** The level most are at. */
const usualLevel = 2;

/** Everyone at one level with one tap, then the few who are not: a level is in hand, a tap gives it. */
export default function SweepPanel({ lesson, rows }: SweepPanelProps) {
  const router = useRouter();
  const palette = usePalette();
  const wide = useWide();
  const shape = rollShape.use();
  const names = useShownNames(rows);
  const levelNames = useLevelNames();
  const sweep = useSweep(lesson, rows);
  const [hand, setHand] = useState(usualLevel);
  const [naming, setNaming] = useState(false);
  const here = rows.filter((row) => !isAway(row));
  const isFirst = sweep.every(({ level, before }) => level === null && before.length === 0);
  const found = new Map(sweep.map((row) => [row.studentId, row]));
  const levelOf = (row: LessonRow) => found.get(row.student.id)?.level ?? null;
  const set = here.filter((row) => levelOf(row) !== null);
  const adrift = set.filter((row) => levelOf(row) === 0);
  const give = (some: readonly LessonRow[], level: number | null) => {
    for (const [own, ofLesson] of groupBy(some, (row) => row.lesson))
      setLevels(
        own,
        ofLesson.map(({ student }) => student.id),
        level,
        lesson,
      );
  };
  // One function for all tiles and pictures, so that a tap draws one tile.
  const latest = useRef({ rows, levelOf, hand, give });
  latest.current = { rows, levelOf, hand, give };
  const onTap = useCallback((studentId: string) => {
    const { rows: all, levelOf: of, hand: held, give: to } = latest.current;
    const row = all.find(({ student }) => student.id === studentId);
    if (row) to([row], of(row) === held ? null : held);
  }, []);
  const first = isFirst ? (
    <View style={{ padding: space(3) }}>
      <Words tone="inkQuiet">{sweepWords(levelNames)}</Words>
    </View>
  ) : null;
  const half = Math.ceil(rows.length / 2);
  const columns = wide ? [rows.slice(0, half), rows.slice(half)] : [rows];
  return (
    <View style={{ flex: 1 }}>
      {shape === 'board' ? (
        <Board
          name="Sweep"
          tiles={rows}
          tile={(row, { height }) => (
            <SweepTile
              key={row.student.id}
              student={row.student}
              name={wide ? displayName(row.student) : (names.get(row.student.id) ?? '')}
              level={levelOf(row)}
              before={found.get(row.student.id)?.before ?? none}
              away={isAway(row)}
              levelNames={levelNames}
              hand={hand}
              height={height}
              onTap={onTap}
            />
          )}
        >
          {first}
        </Board>
      ) : (
        <ScrollView style={{ flex: 1, backgroundColor: palette.ground }}>
          <View role="group" aria-label="Sweep" style={{ flexDirection: 'row' }}>
            {columns.map((column, index) => (
              <View key={index} style={{ flex: 1, borderLeftWidth: index, borderColor: palette.line }}>
                {column.map((row) => (
                  <SweepRow
                    key={row.student.id}
                    row={row}
                    level={levelOf(row)}
                    before={found.get(row.student.id)?.before ?? none}
                    levelNames={levelNames}
                    onLevel={(next) => {
                      give([row], next);
                    }}
                  />
                ))}
              </View>
            ))}
          </View>
          {first}
        </ScrollView>
      )}
      <SweepFooter
        levelNames={levelNames}
        hand={hand}
        set={set.length}
        here={here.length}
        adrift={adrift.map(({ student }) => names.get(student.id) ?? '')}
        history={sweepHistory(lesson.id)}
        onHand={setHand}
        onRest={() => {
          give(set.length < here.length ? here.filter((row) => levelOf(row) === null) : here, hand);
        }}
        onWrite={() => {
          router.push({ pathname: '/each', params: { lessonId: lesson.id, group: 'level0' } });
        }}
        onRename={() => {
          setNaming(true);
        }}
      />
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

const none: readonly number[] = [];

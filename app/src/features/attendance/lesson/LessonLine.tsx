import { useCallback } from 'react';
import { Pressable, View } from 'react-native';
import Svg, { Circle, Path, Rect } from 'react-native-svg';
import { minutesOf } from '@slate-path/core/calendar/localTime';
import type { LocalMoment } from '@slate-path/core/calendar/zone';
import { displayName } from '@slate-path/core/people/names';
import type { Lesson } from '@slate-path/core/records/schema';
import type { RollRow } from '@slate-path/core/attendance/roll/rollRows';
import { Words } from '../../../parts/Words';
import { NotesOnLine } from './NotesOnLine';
import { SeenOnLine } from './SeenOnLine';
import { ToneOnLine } from '../../observation/lazyPanels';
import { useRecordsAfterPaint } from '../../../sync/afterPaint';
import type { RecordsState } from '../../../sync/useRecords';
import { usePalette } from '../../../theme/theme';
import { space, target } from '../../../theme/tokens';

interface LessonLineProps {
  lesson: Lesson;
  now: LocalMoment;
  rows: readonly RollRow[];
  width: number;
  /** With its times under it. */
  times: boolean;
  /** Opens the student whose arrival or leaving was tapped. */
  onOpen: (row: RollRow) => void;
  /** Opens what was tallied. */
  onOpenSeen: () => void;
  onOpenNotes: () => void;
}

interface Drop {
  row: RollRow;
  time: string;
  arrives: boolean;
}

function dropsOf(rows: readonly RollRow[]): Drop[] {
  return rows.flatMap((row) => {
    const { late, leftEarly } = row.presence;
    const drops: Drop[] = [];
    if (late && row.mark?.arrivedAt) drops.push({ row, time: row.mark.arrivedAt, arrives: true });
    if (leftEarly && row.mark?.leftAt) drops.push({ row, time: row.mark.leftAt, arrives: false });
    return drops;
  });
}

const isToneSet = ({ roomTone }: RecordsState['current'], of: string) =>
  Object.values(roomTone).some(({ removed, lessonId }) => !removed && lessonId === of);

const height = 34;
const middle = 26;
/** So far above the line's picture begins what is tapped of an arrival. */
const dropRise = 2;

/** The lesson from start to end, with now on it; arrivals come down onto it, leavings go up from it. */
export function LessonLine({
  lesson,
  now,
  rows,
  width,
  times,
  onOpen,
  onOpenSeen,
  onOpenNotes,
}: LessonLineProps) {
  const palette = usePalette();
  const hasTone = useRecordsAfterPaint(
    useCallback(({ current }: RecordsState) => isToneSet(current, lesson.id), [lesson.id]),
  );
  const start = minutesOf(lesson.startsAt);
  const length = Math.max(minutesOf(lesson.endsAt) - start, 1);
  const at = (time: string) => Math.min(Math.max((minutesOf(time) - start) / length, 0), 1) * width;
  const today = now.date === lesson.date;
  const on = today && now.time >= lesson.startsAt && now.time < lesson.endsAt;
  const over = now.date > lesson.date || (today && now.time >= lesson.endsAt);
  const x = on ? at(now.time) : over ? width : 0;
  return (
    <View
      role="group"
      aria-label={`Lesson from ${lesson.startsAt} to ${lesson.endsAt}${on ? `, now ${now.time}` : ''}`}
    >
      <Svg width={width} height={height} style={{ overflow: 'visible' }}>
        <Rect x={0} y={middle - 3} width={width} height={6} rx={3} fill={palette.line} />
        <Rect
          x={0}
          y={middle - 3}
          width={x}
          height={6}
          rx={3}
          fill={over ? palette.inkQuiet : palette.slate}
        />
        {on ? (
          <Circle cx={x} cy={middle} r={8} fill={palette.surface} stroke={palette.slate} strokeWidth={4} />
        ) : null}
      </Svg>
      {hasTone ? <ToneOnLine lesson={lesson} width={width} /> : null}
      <SeenOnLine lessonId={lesson.id} at={at} width={width} onOpen={onOpenSeen} />
      <NotesOnLine lessonId={lesson.id} at={at} width={width} onOpen={onOpenNotes} />
      {dropsOf(rows).map(({ row, time, arrives }) => (
        <Pressable
          key={`${row.student.id} ${time}`}
          role="button"
          aria-label={`${displayName(row.student)} ${arrives ? 'arrived' : 'left'} ${time}`}
          onPress={() => {
            onOpen(row);
          }}
          style={{
            position: 'absolute',
            left: at(time) - target / 2,
            top: -dropRise,
            width: target,
            height: target,
          }}
        >
          <Svg width={target} height={target} aria-hidden>
            <Path d={arrives ? 'M16 10 L28 10 L22 20 Z' : 'M16 20 L28 20 L22 10 Z'} fill={palette.ochre} />
          </Svg>
        </Pressable>
      ))}
      {times ? (
        <View style={{ flexDirection: 'row', height: 20, marginTop: space(1) }}>
          <Words size="small" tone="inkQuiet" figures>
            {lesson.startsAt}
          </Words>
          {on ? (
            <View style={{ position: 'absolute', left: Math.min(Math.max(x - 20, 48), width - 88) }}>
              <Words size="small" bold figures>
                {now.time}
              </Words>
            </View>
          ) : null}
          <View style={{ flex: 1, alignItems: 'flex-end' }}>
            <Words size="small" tone="inkQuiet" figures>
              {lesson.endsAt}
            </Words>
          </View>
        </View>
      ) : null}
    </View>
  );
}

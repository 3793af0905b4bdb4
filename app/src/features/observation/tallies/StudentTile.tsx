import { memo, useCallback, useEffect, useState, type ReactNode } from 'react';
import { View, type ViewStyle } from 'react-native';
import type { Lesson } from '@slate-path/core/records/schema';
import { durationWords } from '@slate-path/core/observation/tallies/duration';
import { TapArea } from '../../../parts/TapArea';
import { ToneStrokes } from '../../../parts/ToneStrokes';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { radius, space } from '../../../theme/tokens';
import { now } from '../../../sync/clock';
import { useRecords } from '../../../sync/useRecords';
import { endOfTimer } from './tallying';
import { sumsOf, tonesIn, type ToneSums } from './tallySums';

interface StudentTileProps {
  lesson: Lesson;
  /** Null: the whole class. */
  studentId: string | null;
  name: string;
  away: boolean;
  held: boolean;
  /** Of the whole tile, in pixels. */
  width: number;
  /** Null for as high as it needs. */
  height: number | null;
  /** On a narrow seat of the room: the name is smaller, with less round it. */
  onSeat?: boolean;
  onTap: (lesson: Lesson, studentId: string | null) => void;
}

/** The seconds of what is timed, counting on while it runs. */
function Timed({
  lesson,
  studentId,
  seconds,
}: Pick<StudentTileProps, 'lesson' | 'studentId'> & { seconds: number }) {
  const running = useRecords(({ current }) => sumsOf(current, lesson.id, studentId).running[0]);
  const begun = running?.at;
  const [, renew] = useState(0);
  useEffect(() => {
    if (!begun) return undefined;
    const timer = setInterval(() => {
      renew((count) => count + 1);
    }, 1000);
    return () => {
      clearInterval(timer);
    };
  }, [begun]);
  const until = running ? Math.min(now(), endOfTimer(running)?.at ?? Infinity) : 0;
  const more = begun ? Math.max((until - Date.parse(begun)) / 1000, 0) : 0;
  return (
    <Words size="small" figures lines={1} bold={begun !== undefined}>
      {`${begun ? '▸ ' : ''}${durationWords(seconds + more)}`}
    </Words>
  );
}

const counted = (count: number, word: string) => (count > 0 ? `${count} ${word}` : '');

function spoken(name: string, { wanted, neutral, unwanted, seconds, running }: ToneSums): string {
  const parts = [
    counted(wanted, 'wanted'),
    counted(neutral, 'neutral'),
    counted(unwanted, 'unwanted'),
    seconds > 0 ? durationWords(seconds) : '',
    running > 0 ? 'timing' : '',
  ].filter(Boolean);
  return `${name}: ${parts.join(', ') || 'none'}`;
}

const paddingOf = (onSeat = false) => space(onSeat ? 1 : 2);
/** What is left and right of the strokes: padding and border. */
const besides = (onSeat?: boolean) => 2 * paddingOf(onSeat) + 4;
const timedWidth = 52;

const nameStyle = { lineHeight: 20 };
const awayStyle = { lineHeight: 16 };

/** By itself: a stroke more leaves the name as it is. */
const TileName = memo(function TileName({
  name,
  held,
  away,
  onSeat,
}: Pick<StudentTileProps, 'name' | 'held' | 'away' | 'onSeat'>) {
  return (
    <>
      <Words
        size={onSeat ? 'small' : 'text'}
        bold={held}
        lines={onSeat ? 2 : 1}
        tone={away ? 'inkQuiet' : 'ink'}
        style={nameStyle}
      >
        {name}
      </Words>
      {away ? (
        <Words size="small" tone="inkQuiet" style={awayStyle}>
          away
        </Words>
      ) : null}
    </>
  );
});

interface TileBodyProps extends StudentTileProps {
  look: ViewStyle;
  /** The name: the same object from one stroke to the next, so that it is left alone. */
  children: ReactNode;
}

/** All of a tile that a stroke changes: what it is called, and its strokes. */
function TileBody(props: TileBodyProps) {
  const { lesson, studentId, name, away, held, width, onSeat, onTap, look, children } = props;
  const tones = useRecords(({ current }) => tonesIn(current, lesson.id, studentId));
  const tap = useCallback(() => {
    onTap(lesson, studentId);
  }, [lesson, studentId, onTap]);
  const timed = tones.seconds > 0 || tones.running > 0;
  const { wanted, neutral, unwanted } = tones;
  const strokes = (
    <ToneStrokes
      {...{ wanted, neutral, unwanted }}
      width={width - besides(onSeat) - (timed ? timedWidth : 0)}
    />
  );
  const isCounted = timed || wanted + neutral + unwanted > 0;
  const inside = (
    <>
      {children}
      {timed ? (
        <View style={{ flexDirection: 'row' }}>
          {/* What is only timed stands at the left, like strokes. */}
          {wanted + neutral + unwanted > 0 ? strokes : null}
          <Timed lesson={lesson} studentId={studentId} seconds={tones.seconds} />
        </View>
      ) : (
        strokes
      )}
    </>
  );
  if (away)
    return (
      <View aria-label={`${name}: away`} style={look}>
        {isCounted ? inside : children}
      </View>
    );
  return (
    <TapArea
      id={`tile-${studentId ?? 'class'}`}
      testID="student-tile"
      name={spoken(name, tones)}
      held={held}
      onTap={tap}
      style={look}
    >
      {inside}
    </TapArea>
  );
}

/** A student in the tally: the name, and the strokes below it. Who is away is seen and out of reach. */
export const StudentTile = memo(function StudentTile(props: StudentTileProps) {
  const { name, away, held, height, onSeat } = props;
  const palette = usePalette();
  const onBoard = height !== null;
  const look = {
    flex: 1,
    minHeight: onBoard ? height : 66,
    borderWidth: held ? 2 : 1,
    borderStyle: away && !onBoard ? 'dashed' : 'solid',
    borderRadius: onBoard ? 0 : radius.card,
    borderColor: held ? palette.slate : onBoard ? 'transparent' : palette.line,
    borderBottomColor: held ? palette.slate : palette.line,
    backgroundColor: held ? palette.slateWash : away ? palette.ground : palette.surface,
    paddingHorizontal: paddingOf(onSeat) + (held ? 0 : 1),
    paddingVertical: onBoard ? (held ? 0 : 1) : held ? space(1) : space(1) + 1,
    justifyContent: onBoard ? 'center' : 'flex-start',
  } as const;
  return (
    <View
      {...({ dataSet: { row: '' } } as object)}
      style={onBoard ? { height, overflow: 'hidden' } : { flex: 1 }}
    >
      <TileBody {...props} look={look}>
        <TileName name={name} held={held} away={away} onSeat={onSeat} />
      </TileBody>
    </View>
  );
});

import { memo, useCallback } from 'react';
import Svg, { Path } from 'react-native-svg';
import { many } from '@slate-path/core/words/many';
import { localMoment } from '@slate-path/core/calendar/zone';
import { TapArea } from '../../../parts/TapArea';
import { usePalette } from '../../../theme/theme';
import { target } from '../../../theme/tokens';
import { useRecordsAfterPaint } from '../../../sync/afterPaint';
import { zoneOf } from '../../../sync/clock';
import type { RecordsState } from '../../../sync/useRecords';

interface SeenOnLineProps {
  lessonId: string;
  /** Where a time is on the line, in pixels. */
  at: (time: string) => number;
  width: number;
  onOpen: () => void;
}

const height = 22;

/**
 * How many tallies a lesson has, and the minutes of those that stand and of those that lean. As text, so that
 * one more in the same minute draws only the number; a minute is looked up once, not for each of its strokes.
 */
function seenIn({ current }: RecordsState, lessonId: string): string {
  const minutes = { stand: new Set<string>(), lean: new Set<string>() };
  let count = 0;
  for (const { removed, lessonId: own, correctedFrom, at, lookForId } of Object.values(current.tally)) {
    if (removed || own !== lessonId || correctedFrom !== null) continue;
    count += 1;
    minutes[current.lookFor[lookForId]?.tone === 'unwanted' ? 'lean' : 'stand'].add(at.slice(0, 16));
  }
  const zone = zoneOf(Object.values(current.school)[0]);
  const times = (of: Set<string>) =>
    [...of].map((minute) => localMoment(Date.parse(`${minute}Z`), zone).time).join(' ');
  return [count, times(minutes.stand), times(minutes.lean)].join(';');
}

/** Tallies on the lesson line, each a stroke at its minute: wanted ones stand, unwanted ones lean. */
export const SeenOnLine = memo(
  function SeenOnLine({ lessonId, at, width, onOpen }: SeenOnLineProps) {
    const palette = usePalette();
    const seen = useRecordsAfterPaint(
      useCallback((state: RecordsState) => seenIn(state, lessonId), [lessonId]),
    );
    const [count = '0', standing = '', leaning = ''] = seen.split(';');
    if (count === '0') return null;
    const strokes = (times: string, lean: number) =>
      times
        .split(' ')
        .filter(Boolean)
        .map((time) => `M${at(time)} ${height - 2}l${lean} -10`)
        .join('');
    return (
      <TapArea
        name={`What was seen: ${many(Number(count), 'tally', 'tallies')}`}
        onTap={onOpen}
        style={{ position: 'absolute', left: 0, top: 0, width, height: target }}
      >
        <Svg
          width={width}
          height={height}
          style={{ position: 'absolute', top: 0, overflow: 'visible' }}
          aria-hidden
        >
          <Path d={strokes(standing, 0)} stroke={palette.lichen} strokeWidth={2} strokeLinecap="round" />
          <Path d={strokes(leaning, 4)} stroke={palette.clay} strokeWidth={2} strokeLinecap="round" />
        </Svg>
      </TapArea>
    );
  },
  (before, after) =>
    before.lessonId === after.lessonId && before.width === after.width && before.onOpen === after.onOpen,
);

import { memo, useCallback } from 'react';
import Svg, { Path } from 'react-native-svg';
import { localMoment } from '@slate-path/core/calendar/zone';
import { TapArea } from '../../parts/TapArea';
import { usePalette } from '../../theme/theme';
import { target } from '../../theme/tokens';
import { useRecordsAfterPaint } from '../records/afterPaint';
import { zoneOf } from '../records/clock';
import type { RecordsState } from '../records/useRecords';

interface SeenOnLineProps {
  lessonId: string;
  /** Where a time is on the line, in pixels. */
  at: (time: string) => number;
  width: number;
  onOpen: () => void;
}

const height = 22;

/** Tallies on the lesson line, each a stroke at its minute: wanted ones stand, unwanted ones lean. */
export const SeenOnLine = memo(
  function SeenOnLine({ lessonId, at, width, onOpen }: SeenOnLineProps) {
    const palette = usePalette();
    const seenIn = useCallback(
      ({ current }: RecordsState) => {
        const zone = zoneOf(Object.values(current.school)[0]);
        return Object.values(current.tally).flatMap((tally) =>
          tally.removed || tally.lessonId !== lessonId || tally.correctedFrom !== null
            ? []
            : [
                {
                  time: localMoment(Date.parse(tally.at), zone).time,
                  leans: current.lookFor[tally.lookForId]?.tone === 'unwanted',
                },
              ],
        );
      },
      [lessonId],
    );
    const seen = useRecordsAfterPaint(seenIn);
    if (seen.length === 0) return null;
    const strokes = (leaning: boolean) =>
      [...new Set(seen.filter(({ leans }) => leans === leaning).map(({ time }) => time))]
        .map((time) => `M${at(time)} ${height - 2}l${leaning ? 4 : 0} -10`)
        .join('');
    return (
      <TapArea
        name={`What was seen: ${seen.length === 1 ? '1 tally' : `${seen.length} tallies`}`}
        onTap={onOpen}
        style={{ position: 'absolute', left: 0, top: -target + 34, width, height: target }}
      >
        <Svg
          width={width}
          height={height}
          style={{ position: 'absolute', top: target - 34, overflow: 'visible' }}
          aria-hidden
        >
          <Path d={strokes(false)} stroke={palette.lichen} strokeWidth={2} strokeLinecap="round" />
          <Path d={strokes(true)} stroke={palette.clay} strokeWidth={2} strokeLinecap="round" />
        </Svg>
      </TapArea>
    );
  },
  (before, after) =>
    before.lessonId === after.lessonId && before.width === after.width && before.onOpen === after.onOpen,
);

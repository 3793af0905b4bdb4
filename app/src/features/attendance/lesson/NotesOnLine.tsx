import { many } from '@slate-path/core/words/many';
import { memo } from 'react';
import Svg, { Path } from 'react-native-svg';
import { TapArea } from '../../../parts/TapArea';
import { usePalette } from '../../../theme/theme';
import { target } from '../../../theme/tokens';
import { useNoteTimes } from '../../notes/useLessonNotes';

interface NotesOnLineProps {
  lessonId: string;
  /** Where a time is on the line, in pixels. */
  at: (time: string) => number;
  width: number;
  onOpen: () => void;
}

const height = 44;
const lineAt = 26;

/** Notes on the lesson line, each a small sheet lying at its minute; a tap shows them. */
export const NotesOnLine = memo(
  function NotesOnLine({ lessonId, at, width, onOpen }: NotesOnLineProps) {
    const palette = usePalette();
    const times = useNoteTimes(lessonId);
    if (times.length === 0) return null;
    const places = [...new Set(times)].map((time) => Math.min(Math.max(at(time), 5), width - 5));
    const first = Math.min(...places);
    const last = Math.max(...places);
    const left = Math.max(Math.min(first - target / 2, width - target), 0);
    return (
      <>
        <Svg
          width={width}
          height={height}
          style={{ position: 'absolute', left: 0, top: 0, pointerEvents: 'none' }}
          aria-hidden
        >
          {places.map((x) => (
            <Path
              key={x}
              d={`M${x - 5} ${lineAt - 6}h10v9l-3 3h-7z`}
              fill={palette.surface}
              stroke={palette.ink}
              strokeWidth={1.5}
            />
          ))}
        </Svg>
        <TapArea
          name={`${many(times.length, 'note')} of this lesson`}
          onTap={onOpen}
          style={{
            position: 'absolute',
            left,
            top: lineAt - 12,
            width: Math.max(last - first + target, target),
            height: target,
          }}
        />
      </>
    );
  },
  (before, after) =>
    before.lessonId === after.lessonId && before.width === after.width && before.onOpen === after.onOpen,
);

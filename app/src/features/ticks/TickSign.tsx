import Svg, { Path, Rect } from 'react-native-svg';
import type { TickState } from '@slate-path/core/ticks/tickState';
import { usePalette } from '../../theme/theme';

export const tickStateWords: Record<TickState, string> = {
  open: 'nothing yet',
  part: 'a part of it',
  done: 'done',
  exempt: 'not needed',
};

/** How far somebody is, told by shape alone: a box that is empty, half filled or gone for a stroke; a dash is not asked. */
export function TickSign({ state, size = 16 }: { state: TickState; size?: number }) {
  const palette = usePalette();
  const box = (
    <Rect x={2} y={2} width={12} height={12} rx={2} fill="none" stroke={palette.inkQuiet} strokeWidth={1.5} />
  );
  return (
    <Svg width={size} height={size} viewBox="0 0 16 16" aria-hidden>
      {state === 'open' ? box : null}
      {state === 'part' ? (
        <>
          {box}
          <Rect x={3} y={8} width={10} height={5} fill={palette.ochre} />
        </>
      ) : null}
      {state === 'done' ? (
        <Path d="M2 9 L6 13 L14 3" fill="none" stroke={palette.slate} strokeWidth={2.5} />
      ) : null}
      {state === 'exempt' ? <Path d="M3 8 H13" stroke={palette.plum} strokeWidth={2} /> : null}
    </Svg>
  );
}

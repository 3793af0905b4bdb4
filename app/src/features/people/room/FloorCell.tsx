import { useDraggable } from '@dnd-kit/core';
import { memo, useCallback } from 'react';
import { View } from 'react-native';
import type { Seat } from '@slate-path/core/people/room/seat';
import { grabbed } from '../../../parts/grabbed';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { radius } from '../../../theme/tokens';
import type { Box } from './floor';

interface FloorCellProps {
  cell: Seat;
  box: Box;
  /** `free`, `seat`, or the word of a piece of furniture. */
  what: string;
  turn: number;
  /** Who sits there. */
  name: string | undefined;
  inHand: boolean;
  /** So far it is drawn from its place while it is dragged, in pixels. */
  shift: Seat;
  onTap: (cell: Seat) => void;
}

/** A place on the floor: free, or with a seat. Furniture is drawn over its places. */
export const FloorCell = memo(function FloorCell(props: FloorCellProps) {
  const { cell, box, what, turn, name, inHand, shift, onTap } = props;
  const palette = usePalette();
  const free = what === 'free';
  const isSeat = what === 'seat';
  const { setNodeRef, listeners, isDragging } = useDraggable({
    id: `${cell.x} ${cell.y}`,
    disabled: free,
  });
  const ref = useCallback(
    (node: unknown) => {
      setNodeRef(node as HTMLElement | null);
    },
    [setNodeRef],
  );
  const place = `column ${cell.x + 1}, row ${cell.y + 1}`;
  const words = `${free ? 'Free' : isSeat ? 'Seat' : what}${name ? ` of ${name}` : ''}: ${place}${inHand ? ', in hand' : ''}`;
  return (
    <View
      ref={ref}
      testID={isSeat ? 'seat-there' : free ? 'seat-missing' : 'piece-there'}
      role="button"
      tabIndex={0}
      aria-label={words}
      {...grabbed(() => {
        onTap(cell);
      }, listeners)}
      style={[
        {
          position: 'absolute',
          ...box,
          alignItems: 'center',
          justifyContent: 'center',
          borderRadius: radius.control,
          borderWidth: inHand ? 2 : 1,
          borderStyle: free ? 'dotted' : 'solid',
          borderColor: inHand ? palette.slate : isSeat ? palette.inkQuiet : palette.line,
          // Furniture is drawn over its places.
          backgroundColor: !isSeat
            ? 'transparent'
            : inHand || isDragging
              ? palette.slateWash
              : palette.surface,
          zIndex: inHand && isSeat ? 2 : 0,
          transform: [
            { translateX: shift.x },
            { translateY: shift.y },
            { rotate: isSeat && turn % 2 === 1 ? '45deg' : '0deg' },
            { scale: isSeat && turn % 2 === 1 ? 0.8 : 1 },
          ],
        },
        { cursor: free ? 'pointer' : 'grab', touchAction: free ? 'auto' : 'manipulation' } as object,
      ]}
    >
      {name ? (
        <View style={{ transform: [{ rotate: turn % 2 === 1 ? '-45deg' : '0deg' }] }}>
          <Words size="small">{initials(name)}</Words>
        </View>
      ) : null}
    </View>
  );
});

/** Three letters of one name, or the first of each; of what is numbered the number. */
function initials(name: string): string {
  const words = name.split(/[\s-]+/);
  if (words.length === 1) return name.slice(0, 3);
  return words.map((word) => (/^\d+$/.test(word) ? word : (word[0] ?? ''))).join('');
}

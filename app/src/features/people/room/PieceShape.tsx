import { View } from 'react-native';
import type { Furniture } from '@slate-path/core/people/room/furniture';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import type { Box } from './floor';
import { pieceWords } from './pieceWords';

interface PieceShapeProps {
  piece: Pick<Furniture, 'kind' | 'turn'>;
  box: Box;
  inHand?: boolean;
  /** So far it is drawn from its place while it is dragged, in pixels. */
  shift?: { x: number; y: number };
}

/** A letter is so wide, in pixels. */
const letter = 8;

/** A board, a door, a shelf: a flat outline with its word, aslant where it stands so. */
export function PieceShape({ piece: { kind, turn }, box, inHand = false, shift }: PieceShapeProps) {
  const palette = usePalette();
  const words = pieceWords[kind];
  const upright = box.width < words.length * letter && box.height > box.width;
  const slant = turn === 1 ? '45deg' : turn === 3 ? '-45deg' : '0deg';
  // What stands aslant stays inside its box.
  const small = turn % 2 === 1 ? 0.75 : 1;
  return (
    <View
      style={[
        {
          position: 'absolute',
          ...box,
          alignItems: 'center',
          justifyContent: 'center',
          borderRadius: 3,
          borderWidth: inHand ? 2 : 1,
          borderStyle: kind === 'door' || kind === 'window' ? 'dashed' : 'solid',
          borderColor: inHand ? palette.slate : palette.inkQuiet,
          backgroundColor: inHand ? palette.slateWash : palette.ground,
          transform: [
            { translateX: shift?.x ?? 0 },
            { translateY: shift?.y ?? 0 },
            { rotate: slant },
            { scale: small },
          ],
        },
        { pointerEvents: 'none' } as object,
      ]}
    >
      <View
        style={{
          width: upright ? box.height : box.width,
          transform: [{ rotate: upright ? '-90deg' : '0deg' }],
        }}
      >
        <Words size="small" tone="inkQuiet" lines={1} style={{ textAlign: 'center', fontSize: 13 }}>
          {words}
        </Words>
      </View>
    </View>
  );
}

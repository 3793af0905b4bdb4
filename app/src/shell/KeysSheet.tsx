import { View } from 'react-native';
import { Sheet } from '../parts/Sheet';
import { Words } from '../parts/Words';
import { space } from '../theme/tokens';

const keys: [key: string, does: string][] = [
  ['↑ ↓ ← →', 'from student to student, and from column to column'],
  ['Enter', 'what a tap does'],
  ['A', 'away'],
  ['X', 'away, excused'],
  ['L', 'late, as of now'],
  ['E', 'leaves now'],
  ['H', 'here'],
  ['S', 'set aside for this student'],
  ['U', 'take back'],
  ['← →', 'with no student chosen: earlier and later lesson'],
  ['.', 'write a note, on every page'],
  ['?', 'these keys'],
  ['M E I', 'on the tally: first letters find a student'],
  ['1 to 9', 'on the tally: what is seen'],
  ['⌫', 'on the tally: take back'],
  ['Esc', 'on the tally: empty hand'],
  ['↑ ↓ ← →', 'in the room: what is in hand moves'],
  ['T', 'in the room: what is in hand turns by an eighth'],
  ['Del', 'in the room: what is in hand is taken away'],
  ['↑ ↓', 'tone, and on the big screen: one level up or down'],
  ['1 to 5', 'on the page of the tone: far down to far up'],
  ['1 to 8', 'on the big screen: a point for a side'],
  ['R', 'on the big screen: the next round'],
  ['Space', 'on the big screen: the clock starts or stops'],
];

/** Every key and what it does. */
export default function KeysSheet({ onClose }: { onClose: () => void }) {
  return (
    <Sheet title="Keys" onClose={onClose}>
      {keys.map(([key, does]) => (
        <View key={does} style={{ flexDirection: 'row', gap: space(4) }}>
          <View style={{ width: 72 }}>
            <Words bold>{key}</Words>
          </View>
          <Words>{does}</Words>
        </View>
      ))}
    </Sheet>
  );
}

import Armchair from 'lucide-react-native/icons/armchair';
import LayoutGrid from 'lucide-react-native/icons/layout-grid';
import type { Lesson } from '@slate-path/core/records/schema';
import { IconAction } from '../../../parts/IconAction';
import { useSeats } from '../../people/room/useSeats';
import { tileOrder } from './keptOrder';

/** Turns the tally's board into the room and back, where there is a plan of it. */
export default function TileOrder({ lesson }: { lesson: Lesson }) {
  const plan = useSeats(lesson.sectionId);
  const bySeat = tileOrder.use() === 'seat';
  if (!plan) return null;
  return (
    <IconAction
      name={bySeat ? 'By name' : 'As they sit'}
      icon={bySeat ? LayoutGrid : Armchair}
      tone="inkQuiet"
      onPress={() => {
        tileOrder.choose(bySeat ? 'name' : 'seat');
      }}
    />
  );
}

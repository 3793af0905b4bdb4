import LayoutGrid from 'lucide-react-native/icons/layout-grid';
import List from 'lucide-react-native/icons/list';
import { IconAction } from '../../../parts/IconAction';
import { rollShape } from './keptShape';

/** Turns the board into a list with full names and what else there is, and back. */
export function RollShape() {
  const isBoard = rollShape.use() === 'board';
  return (
    <IconAction
      name={isBoard ? 'Show as a list' : 'Show as a board'}
      icon={isBoard ? List : LayoutGrid}
      tone="inkQuiet"
      onPress={() => {
        rollShape.choose(isBoard ? 'list' : 'board');
      }}
    />
  );
}

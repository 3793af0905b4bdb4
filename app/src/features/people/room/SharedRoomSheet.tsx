import { many } from '@slate-path/core/words/many';
import type { RoomPlan } from '@slate-path/core/records/schema';
import { LinkRow } from '../../../parts/LinkRow';
import { Sheet } from '../../../parts/Sheet';

interface SharedRoomSheetProps {
  /** Plans of other classes, with the name of the class. */
  plans: readonly { plan: RoomPlan; className: string }[];
  onChoose: (plan: RoomPlan) => void;
  onClose: () => void;
}

/** The room of another class: what is moved in one plan moves in all of that room. */
export function SharedRoomSheet({ plans, onChoose, onClose }: SharedRoomSheetProps) {
  return (
    <Sheet
      title="The room of another class"
      note="Seats and furniture are the same from then on: what is moved in one class is moved in all. Who sits where is each class’s own."
      onClose={onClose}
    >
      {plans.map(({ plan, className }) => (
        <LinkRow
          key={plan.id}
          words={`${className}: ${plan.name}, ${many(plan.seats.length, 'seat')}`}
          name={`${className}: ${plan.name}, ${many(plan.seats.length, 'seat')}`}
          onOpen={() => {
            onChoose(plan);
          }}
        />
      ))}
    </Sheet>
  );
}

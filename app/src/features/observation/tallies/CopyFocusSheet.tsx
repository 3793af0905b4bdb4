import type { Focus } from '@slate-path/core/records/schema';
import { copyFocus } from '@slate-path/core/observation/tallies/shipped';
import { Action } from '../../../parts/Action';
import { Sheet } from '../../../parts/Sheet';
import { makeChange, newId } from '../../../sync/outbox';
import { useSections } from '../../../sync/sections';
import { useRecords } from '../../../sync/useRecords';

/** A set for another class, which can then change its own. */
export function CopyFocusSheet({ focus, onClose }: { focus: Focus; onClose: () => void }) {
  const current = useRecords((state) => state.current);
  const others = useSections().filter(({ id, endedOn }) => id !== focus.sectionId && endedOn === null);
  return (
    <Sheet
      title={`Copy “${focus.name}”`}
      note="The class gets a set of its own. Look-fors that all classes share stay shared; those of one class are copied."
      onClose={onClose}
    >
      {others.map(({ id, name }) => (
        <Action
          key={id}
          label={name}
          name={`Copy to ${name}`}
          onPress={() => {
            makeChange('focus.set', copyFocus(focus, id, current.lookFor, newId), 'lookFors');
            onClose();
          }}
        />
      ))}
    </Sheet>
  );
}

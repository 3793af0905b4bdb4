import { Action } from '../../../parts/Action';

interface TakeSomeOutProps {
  /** Of what, as it goes on after "of the". */
  of: string;
  editing: boolean;
  onEditing: (editing: boolean) => void;
}

/** Shows the trash signs of a list, and puts them away. */
export function TakeSomeOut({ of, editing, onEditing }: TakeSomeOutProps) {
  return (
    <Action
      label={editing ? 'Done' : 'Take some out'}
      name={editing ? `Done: ${of}` : `Take some out of the ${of}`}
      onPress={() => {
        onEditing(!editing);
      }}
    />
  );
}

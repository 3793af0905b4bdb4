import { useState } from 'react';
import { View } from 'react-native';
import { longestSideName, sideMarks } from '@slate-path/core/observation/sides/limits';
import { Action } from '../../../parts/Action';
import { Field } from '../../../parts/Field';
import { Sheet } from '../../../parts/Sheet';
import { SideMark } from '../../../parts/SideMark';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { radius, space } from '../../../theme/tokens';
import type { Side } from './playing';

interface SideSheetProps {
  side: Side;
  /** The others: two with the same name or mark could not be told apart. */
  taken: readonly Side[];
  onSave: (side: Pick<Side, 'name' | 'mark'>) => void;
  onClose: () => void;
}

/** What a side is called, and its mark. */
export function SideSheet({ side, taken, onSave, onClose }: SideSheetProps) {
  const palette = usePalette();
  const [name, setName] = useState(side.name);
  const [mark, setMark] = useState(side.mark);
  const [error, setError] = useState<string>();
  const save = () => {
    const typed = name.trim();
    const same = taken.some((other) => other.name.toLocaleLowerCase() === typed.toLocaleLowerCase());
    if (typed === '') setError('A side needs a name.');
    else if (typed.length > longestSideName) setError('At most 24 characters, to be read across the room.');
    else if (same) setError('Another side is called that. Choose another name.');
    else onSave({ name: typed, mark });
  };
  return (
    <Sheet title={`The side “${side.name}”`} onClose={onClose}>
      <Field label="Name" value={name} onChange={setName} error={error} onSubmit={save} />
      <Words size="small" tone="inkQuiet">
        Mark
      </Words>
      <View
        role="radiogroup"
        aria-label="Mark"
        style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}
      >
        {sideMarks.map((one) => {
          const free = one === side.mark || !taken.some((other) => other.mark === one);
          if (!free) return null;
          return (
            <TapArea
              key={one}
              name={one}
              held={one === mark}
              onTap={() => {
                setMark(one);
              }}
              style={{
                width: 56,
                height: 56,
                alignItems: 'center',
                justifyContent: 'center',
                borderRadius: radius.control,
                borderWidth: one === mark ? 3 : 1,
                borderColor: one === mark ? palette.slate : palette.line,
              }}
            >
              <SideMark mark={one} size={32} color={palette.ink} />
            </TapArea>
          );
        })}
      </View>
      <Action label="Save the side" kind="main" onPress={save} />
    </Sheet>
  );
}

import { useRef, type RefObject } from 'react';
import type { View } from 'react-native';
import { TextInput } from 'react-native-paper';
import { usePalette } from '../theme/theme';
import { target } from '../theme/tokens';

/** Fields that stand under each other in a list: Enter and the arrows go from one to the next. */
export function useFieldsBelow(onEnd?: () => void): {
  list: RefObject<View | null>;
  goTo: (index: number) => void;
} {
  const list = useRef<View>(null);
  const goTo = (index: number) => {
    const fields = (list.current as unknown as HTMLElement | null)?.querySelectorAll('input') ?? [];
    if (onEnd && index >= fields.length) {
      // What was typed last is kept on leaving its field.
      fields[fields.length - 1]?.blur();
      onEnd();
      return;
    }
    fields[index]?.focus();
    fields[index]?.select();
  };
  return { list, goTo };
}

interface FieldInColumnProps {
  value: string;
  onChange: (value: string) => void;
  onLeave: () => void;
  /** By one down, or up. */
  onMove: (by: number) => void;
  /** What is typed here, for those who listen. */
  name: string;
  wrong: boolean;
  decimal: boolean;
  width?: number;
  align?: 'left' | 'right';
}

/** One of the fields of such a list. */
export function FieldInColumn(props: FieldInColumnProps) {
  const { value, onChange, onLeave, onMove, name, wrong, decimal, width = 96, align = 'left' } = props;
  const palette = usePalette();
  return (
    <TextInput
      mode="outlined"
      dense
      value={value}
      onChangeText={onChange}
      onBlur={onLeave}
      accessibilityLabel={name}
      aria-invalid={wrong}
      inputMode={decimal ? 'decimal' : 'text'}
      onKeyPress={({ nativeEvent }) => {
        if (nativeEvent.key === 'Enter' || nativeEvent.key === 'ArrowDown') onMove(1);
        else if (nativeEvent.key === 'ArrowUp') onMove(-1);
      }}
      style={{ width, height: target, backgroundColor: palette.surface, textAlign: align }}
      textColor={palette.ink}
      outlineColor={wrong ? palette.clay : palette.line}
      activeOutlineColor={palette.slate}
    />
  );
}

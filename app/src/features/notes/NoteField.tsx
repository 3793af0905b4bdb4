import { useEffect, useRef, useState } from 'react';
import { TextInput, type TextInput as Input } from 'react-native';
import { usePalette } from '../../theme/theme';
import { fonts, radius, space, type } from '../../theme/tokens';

interface NoteFieldProps {
  value: string;
  onChange: (text: string) => void;
  onSend: () => void;
  onLeave: () => void;
  placeholder: string;
}

const tallest = 168;
const padding = space(3);

/** Where a note is typed or dictated: as tall as what is in it; Enter sends, Shift and Enter begins a line. */
export function NoteField({ value, onChange, onSend, onLeave, placeholder }: NoteFieldProps) {
  const palette = usePalette();
  const input = useRef<Input>(null);
  const [height, setHeight] = useState(48);
  useEffect(() => {
    input.current?.focus();
  }, []);
  useEffect(() => {
    if (value === '') setHeight(48);
  }, [value]);
  const onKeyPress = (event: { nativeEvent: { key: string }; preventDefault: () => void }) => {
    const native = event.nativeEvent as { key: string; shiftKey?: boolean; isComposing?: boolean };
    if (native.key === 'Escape') onLeave();
    if (native.key !== 'Enter' || native.shiftKey || native.isComposing) return;
    event.preventDefault();
    onSend();
  };
  return (
    <TextInput
      ref={input}
      multiline
      value={value}
      onChangeText={onChange}
      onKeyPress={onKeyPress}
      onContentSizeChange={({ nativeEvent }) => {
        setHeight(Math.min(Math.max(nativeEvent.contentSize.height, 48), tallest));
      }}
      enterKeyHint="send"
      aria-label="Note"
      placeholder={placeholder}
      placeholderTextColor={palette.inkQuiet}
      style={{
        ...type.name,
        height,
        flex: 1,
        paddingVertical: padding - 1,
        paddingHorizontal: padding,
        color: palette.ink,
        backgroundColor: palette.ground,
        fontFamily: fonts.text,
        borderRadius: radius.control,
        borderWidth: 1,
        borderColor: palette.line,
      }}
    />
  );
}

import type { ReactNode } from 'react';
import { View, type KeyboardTypeOptions } from 'react-native';
import { TextInput } from 'react-native-paper';
import { usePalette } from '../theme/theme';
import { fonts, radius, space, target } from '../theme/tokens';
import { useTyping } from './Typing';
import { Words } from './Words';

export interface FieldProps {
  label: string;
  value: string;
  onChange: (value: string) => void;
  /** What is wrong with it, in words. */
  error?: string;
  hint?: string;
  secret?: boolean;
  multiline?: boolean;
  placeholder?: string;
  keyboard?: KeyboardTypeOptions;
  width?: number;
  onSubmit?: () => void;
  /** Under which name what is typed is kept, where another field of the form has the same label. */
  typedAs?: string;
  /** The cursor goes elsewhere. */
  onLeave?: () => void;
  testID?: string;
  /** Which part of it is selected. */
  onSelect?: (from: number, to: number) => void;
  /** A button at its end, 44 pixels wide. */
  end?: ReactNode;
}

/** One thing to type in, its label above it, what is wrong below it. */
export function Field(props: FieldProps) {
  const { label, value, onChange, error, hint, secret, multiline, placeholder, keyboard, width } = props;
  const palette = usePalette();
  const keep = useTyping(props.typedAs ?? label, value, onChange);
  return (
    <View style={{ gap: space(1), width, flexGrow: width ? 0 : 1, flexShrink: 1 }}>
      <Words size="small" tone="inkQuiet">
        {label}
      </Words>
      <View>
        <TextInput
          mode="outlined"
          dense
          testID={props.testID}
          value={value}
          onChangeText={secret ? onChange : keep}
          onBlur={props.onLeave}
          onSubmitEditing={props.onSubmit}
          onSelectionChange={
            props.onSelect
              ? ({ nativeEvent: { selection } }) => {
                  props.onSelect?.(selection.start, selection.end);
                }
              : undefined
          }
          accessibilityLabel={label}
          aria-invalid={error !== undefined}
          secureTextEntry={secret}
          multiline={multiline}
          numberOfLines={multiline ? 6 : 1}
          placeholder={placeholder}
          keyboardType={keyboard}
          error={error !== undefined}
          outlineColor={palette.line}
          activeOutlineColor={palette.slate}
          outlineStyle={{ borderRadius: radius.control }}
          style={{ backgroundColor: palette.surface, fontSize: 16, minHeight: multiline ? 140 : 48 }}
          contentStyle={{
            fontFamily: fonts.text,
            minHeight: 48,
            paddingRight: props.end ? target : undefined,
          }}
        />
        {props.end ? <View style={{ position: 'absolute', right: 2, bottom: 2 }}>{props.end}</View> : null}
      </View>
      {error !== undefined ? (
        <Words size="small" tone="ember" live>
          {error}
        </Words>
      ) : hint ? (
        <Words size="small" tone="inkQuiet">
          {hint}
        </Words>
      ) : null}
    </View>
  );
}

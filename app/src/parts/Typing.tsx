import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
} from 'react';
import { View } from 'react-native';
import { space } from '../theme/tokens';
import { Action } from './Action';
import { forgetTyped, keepTyped, readTyped } from './typed';
import { Words } from './Words';

interface FormTyping {
  about: string;
  /** A field has got back what was typed; `reset` makes it as it was before. */
  onRestored: (label: string, reset: () => void) => void;
}

const TypingContext = createContext<FormTyping | null>(null);

interface TypingProps {
  /** What the form is about: the same when it is opened again, another for another record. */
  about: string;
  children: ReactNode;
}

/**
 * A form whose fields keep what is typed in them until it is accepted (`forgetTyped`): opened again, it is as it
 * was left, says so, and can be begun anew.
 */
export function Typing({ about, children }: TypingProps) {
  const resets = useRef(new Map<string, () => void>());
  const [restored, setRestored] = useState(false);
  const onRestored = useCallback((label: string, reset: () => void) => {
    resets.current.set(label, reset);
    setRestored(true);
  }, []);
  const typing = useMemo(() => ({ about, onRestored }), [about, onRestored]);
  const startOver = () => {
    forgetTyped(about);
    for (const reset of resets.current.values()) reset();
    resets.current.clear();
    setRestored(false);
  };
  return (
    <TypingContext.Provider value={typing}>
      {restored ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space(2) }}>
          <Words tone="inkQuiet">This is as you left it.</Words>
          <Action label="Start over" onPress={startOver} />
        </View>
      ) : null}
      {children}
    </TypingContext.Provider>
  );
}

/**
 * Keeps what is typed in one field of a form, and gives it back when the form is opened again.
 * @returns what to call with each new value; does nothing outside of a form that keeps
 */
export function useTyping(
  label: string,
  value: string,
  onChange: (value: string) => void,
): (value: string) => void {
  const typing = useContext(TypingContext);
  const about = typing?.about;
  const initial = useRef(value);
  const latest = useRef({ typing, value, onChange });
  latest.current = { typing, value, onChange };
  useEffect(() => {
    if (about === undefined) return;
    const { value: shown, onChange: change, typing: form } = latest.current;
    initial.current = shown;
    const kept = readTyped(about, label);
    if (kept === null || kept === shown) return;
    change(kept);
    form?.onRestored(label, () => {
      latest.current.onChange(shown);
    });
  }, [about, label]);
  return (next) => {
    if (about !== undefined) keepTyped(about, label, next === initial.current ? null : next);
    onChange(next);
  };
}

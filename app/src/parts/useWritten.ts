import { useCallback, useEffect, useRef, useState } from 'react';
import { keepTyped, readTyped } from './typed';

interface Written {
  /** What stands in the field. */
  text: string;
  /** It differs from what is saved. */
  changed: boolean;
  write: (text: string) => void;
  /** Saves it now, as when Enter is pressed. */
  save: () => void;
  /** As it was saved. */
  giveUp: () => void;
}

/**
 * A text that belongs to a record: what is typed is kept on the device at every key and saved by itself when the
 * field is left, with the sheet, the page or the whole application. After a crash it is there when it is opened.
 * @param about what it belongs to @param saved as it is recorded
 * @param onSave saves a text that differs from what is saved. @returns false where it cannot be saved as it is: then
 * it stays on the device
 */
export function useWritten(about: string, saved: string, onSave: (text: string) => boolean): Written {
  const [typed, setTyped] = useState(() => readTyped(about, ''));
  const text = typed ?? saved;
  const latest = useRef({ typed, saved, onSave });
  latest.current = { typed, saved, onSave };
  const save = useCallback(() => {
    const now = latest.current;
    if (now.typed !== null && now.typed !== now.saved && !now.onSave(now.typed)) return;
    latest.current = { ...latest.current, typed: null };
    keepTyped(about, '', null);
    setTyped(null);
  }, [about]);
  useEffect(() => {
    const onHide = () => {
      if (document.hidden) save();
    };
    document.addEventListener('visibilitychange', onHide);
    window.addEventListener('pagehide', save);
    return () => {
      document.removeEventListener('visibilitychange', onHide);
      window.removeEventListener('pagehide', save);
      save();
    };
  }, [save]);
  return {
    text,
    changed: text !== saved,
    write: (next) => {
      latest.current = { ...latest.current, typed: next };
      keepTyped(about, '', next === saved ? null : next);
      setTyped(next);
    },
    save,
    giveUp: () => {
      latest.current = { ...latest.current, typed: null };
      keepTyped(about, '', null);
      setTyped(null);
    },
  };
}

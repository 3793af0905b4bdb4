import { useEffect, useState } from 'react';
import { lazily } from '../parts/lazily';

const KeysSheet = lazily(() => import('./KeysSheet'));

/** All keys, when ? is pressed. */
export function KeysHelp() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const tag = document.activeElement?.tagName;
      if (event.key === '?' && tag !== 'INPUT' && tag !== 'TEXTAREA') setOpen(true);
      if (event.key === 'Escape') setOpen(false);
    };
    window.addEventListener('keydown', onKey);
    return () => {
      window.removeEventListener('keydown', onKey);
    };
  }, []);
  if (!open) return null;
  return (
    <KeysSheet
      onClose={() => {
        setOpen(false);
      }}
    />
  );
}

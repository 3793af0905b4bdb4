import { useEffect, useRef, type RefObject } from 'react';

const focusable = '[tabindex="0"],a[href],button,input:not([type=file]),textarea,select';

const isModal = '[aria-modal="true"]';

/** Is a dialog open? Keys of the page behind it do nothing then. */
export const isDialogOpen = () => document.querySelector(isModal) !== null;

/** Keeps Tab within a dialog: after its last control comes its first. */
function turnRound(dialog: HTMLElement, event: KeyboardEvent): void {
  const controls = [...dialog.querySelectorAll<HTMLElement>(focusable)].filter(
    (element) => element.getBoundingClientRect().width > 0,
  );
  const [first, last] = [controls[0], controls.at(-1)];
  const at = document.activeElement;
  const leaves = event.shiftKey ? at === first || at === dialog : at === last;
  if (!leaves && dialog.contains(at)) return;
  event.preventDefault();
  (event.shiftKey ? last : first)?.focus();
}

/**
 * What makes a sheet a dialog for those who use keys or listen: it has the focus, Tab stays in it, Escape closes it, and
 * the focus goes back to what opened it.
 */
export function useDialog<T>(onClose: () => void): RefObject<T | null> {
  const node = useRef<T | null>(null);
  const close = useRef(onClose);
  close.current = onClose;
  useEffect(() => {
    const dialog = node.current as HTMLElement | null;
    const opener = document.activeElement as HTMLElement | null;
    if (dialog && !dialog.contains(opener)) dialog.focus({ preventScroll: true });
    const onKey = (event: KeyboardEvent) => {
      // Of one dialog over another the upper has the keys.
      if (!dialog || [...document.querySelectorAll(isModal)].at(-1) !== dialog) return;
      if (event.key === 'Tab') turnRound(dialog, event);
      if (event.key === 'Escape') close.current();
    };
    document.addEventListener('keydown', onKey);
    return () => {
      document.removeEventListener('keydown', onKey);
      opener?.focus({ preventScroll: true });
    };
  }, []);
  return node;
}

import type { PaperSize } from '@slate-path/core/sharing/papers/sizes';

const key = 'slate-paper';
/** Where printers take Letter. */
const letterRegions = new Set(['US', 'CA', 'MX', 'PH', 'CL', 'CO', 'VE', 'CR', 'PA', 'GT', 'SV', 'NI', 'DO', 'PR']);

/** The sheet that files are made for: the one chosen last on this device, else what is usual where its language is from. */
export function paperSize(): PaperSize {
  const chosen = localStorage.getItem(key);
  if (chosen === 'A4' || chosen === 'Letter') return chosen;
  return letterRegions.has(new Intl.Locale(navigator.language).region ?? '') ? 'Letter' : 'A4';
}

export function choosePaperSize(size: PaperSize): void {
  try {
    localStorage.setItem(key, size);
  } catch {
    // The browser's room for it is full: it is chosen for this page only.
  }
}

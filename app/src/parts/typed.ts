/**
 * What is being typed, kept on this device at every key, so that nothing is lost where a page is left, a sheet
 * closed or the battery dies before it is accepted.
 */
const prefix = 'slate-typed ';
let owner = '';

/** Whose it is from now on: on one device each teacher has their own. */
export function typedBelongsTo(teacherId: string): void {
  owner = teacherId;
}

const keyOf = (about: string, label: string) => `${prefix}${owner} ${about}\n${label}`;

/** @returns null where nothing is kept */
export function readTyped(about: string, label: string): string | null {
  return localStorage.getItem(keyOf(about, label));
}

/** @param value null: nothing is to be kept any more */
export function keepTyped(about: string, label: string, value: string | null): void {
  try {
    if (value === null) localStorage.removeItem(keyOf(about, label));
    else localStorage.setItem(keyOf(about, label), value);
  } catch {
    // The browser's room for it is full: what is typed is on the screen still, and is saved as always.
  }
}

function removeAll(beginning: string): void {
  for (const key of Object.keys(localStorage)) if (key.startsWith(beginning)) localStorage.removeItem(key);
}

/** What was typed about something has been accepted, or given up. */
export function forgetTyped(about: string): void {
  removeAll(`${prefix}${owner} ${about}\n`);
}

/** What was typed about somebody who is erased. @param id stands in what it is about */
export function forgetTypedWith(id: string): void {
  for (const key of Object.keys(localStorage))
    if (key.startsWith(prefix) && key.includes(id)) localStorage.removeItem(key);
}

/** As after signing out of a shared device. */
export function forgetAllTyped(): void {
  removeAll(prefix);
}

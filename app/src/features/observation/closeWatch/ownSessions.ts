/** Which sessions run on this device, and when this device last showed each, by its own clock. */
const key = 'slate-watching';

type Shown = Record<string, number>;

function read(): Shown {
  try {
    return JSON.parse(localStorage.getItem(key) ?? '{}') as Shown;
  } catch {
    return {};
  }
}

/** By this device's clock, in milliseconds; undefined where the session runs elsewhere. */
export const lastShown = (id: string): number | undefined => read()[id];

export function show(id: string, at: number): void {
  localStorage.setItem(key, JSON.stringify({ ...read(), [id]: at }));
}

export function forget(id: string): void {
  const { [id]: _gone, ...others } = read();
  localStorage.setItem(key, JSON.stringify(others));
}

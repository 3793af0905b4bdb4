/** Seconds as they are said: `45 s`, `3 min`, `3 min 20 s`, `1 h 05 min`. */
export function durationWords(seconds: number): string {
  const whole = Math.round(seconds);
  if (whole < 60) return `${whole} s`;
  const [minutes, rest] = [Math.floor(whole / 60), whole % 60];
  if (minutes < 60) return rest === 0 ? `${minutes} min` : `${minutes} min ${rest} s`;
  return `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')} min`;
}

const number = '(\\d+(?:[.,]\\d+)?)';
const clock = /^(?:(\d+):)?(\d{1,3}):(\d{2})$/;
const inWords = new RegExp(
  `^(?:${number}\\s*(?:h|hours?))?\\s*(?:${number}\\s*(?:m|min|mins|minutes?))?\\s*(?:${number}\\s*(?:s|sec|secs|seconds?)?)?$`,
);
const value = (written: string | undefined) => Number((written ?? '0').replace(',', '.'));

/**
 * A time as people write it: `3:20`, `3 min 20 s`, `200 s`, `1 h 5 min`, `4` (minutes).
 * @returns whole seconds; null where it cannot be read
 */
export function readDuration(written: string): number | null {
  const text = written.trim().toLowerCase();
  if (new RegExp(`^${number}$`).test(text)) return Math.round(value(text) * 60);
  const [, hours, minutes, seconds] = clock.exec(text) ?? inWords.exec(text) ?? [];
  if (text === '' || (hours ?? minutes ?? seconds) === undefined) return null;
  return Math.round(value(hours) * 3600 + value(minutes) * 60 + value(seconds));
}

const timeShape = /^(\d{1,2})(?:[:.h]?([0-5]\d))?\s*(?:(am|pm|a\.m\.|p\.m\.)|h|o'clock)?$/i;

/**
 * A time as people write it: `9:05`, `905`, `09.05`, `9h05`, `9`, `9am`, `2.30 pm`; null is nothing, undefined cannot
 * be read.
 */
export function readTime(written: string): string | null | undefined {
  const text = written.trim();
  if (text === '') return null;
  const [, hours, minutes = '00', half] = timeShape.exec(text) ?? [];
  if (hours === undefined) return undefined;
  const hour = Number(hours);
  const late = half ? /^p/i.test(half) : null;
  if (late === null ? hour > 23 : hour < 1 || hour > 12) return undefined;
  const ofDay = late === null ? hour : (hour % 12) + (late ? 12 : 0);
  return `${String(ofDay).padStart(2, '0')}:${minutes}`;
}

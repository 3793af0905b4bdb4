const timeShape = /^([01]?\d|2[0-3])[:.]?([0-5]\d)$/;

/** `9:05`, `905` and `09.05` all mean 09:05; null is nothing, undefined cannot be read. */
export function readTime(written: string): string | null | undefined {
  if (written.trim() === '') return null;
  const [, hour, minute] = timeShape.exec(written.trim()) ?? [];
  return hour && minute ? `${hour.padStart(2, '0')}:${minute}` : undefined;
}

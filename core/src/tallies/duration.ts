/** Seconds as they are said: `45 s`, `3 min`, `3 min 20 s`, `1 h 05 min`. */
export function durationWords(seconds: number): string {
  const whole = Math.round(seconds);
  if (whole < 60) return `${whole} s`;
  const [minutes, rest] = [Math.floor(whole / 60), whole % 60];
  if (minutes < 60) return rest === 0 ? `${minutes} min` : `${minutes} min ${rest} s`;
  return `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')} min`;
}

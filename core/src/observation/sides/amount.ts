import { mostPoints } from './limits';

/** "+5", "−2" with a minus sign of its own, "12": how points are told. */
export function signed(amount: number): string {
  return amount < 0 ? `−${-amount}` : `+${amount}`;
}

/** A sum of points with the minus sign of its own, as `signed` has it. */
export function sumWords(points: number): string {
  return points < 0 ? signed(points) : String(points);
}

export type ReadAmount = { amount: number; error: null } | { amount: null; error: string };

/**
 * Points as somebody types them: a whole number with or without a sign, digits of thousands apart or not.
 * @example "+5" "-2" "− 3" "1 000" "1,000" @returns what is wrong, in a sentence, where it is no such number
 */
export function readAmount(typed: string): ReadAmount {
  const plain = typed.replace(/[−–]/gu, '-').replace(/\s/gu, '');
  const thousands = /^[+-]?\d{1,3}([.,’']\d{3})+$/u.test(plain);
  const digits = thousands ? plain.replace(/[.,’']/gu, '') : plain;
  if (!/^[+-]?\d{1,9}$/u.test(digits))
    return { amount: null, error: 'Points are a whole number, as 5 or −2. Nothing was changed.' };
  const amount = Number(digits);
  if (Math.abs(amount) > mostPoints)
    return { amount: null, error: 'At most 100,000 at once. Nothing was changed.' };
  return { amount, error: null };
}

/**
 * Minutes and seconds as somebody types them.
 * @example "3" is 3 minutes, "2:30", "0:45" @returns seconds; null where it is no time from a second to 10 hours
 */
export function readClock(typed: string): number | null {
  const [, minutes = '', seconds = '0'] = /^(\d{1,3})(?::([0-5]\d))?$/u.exec(typed.trim()) ?? [];
  if (minutes === '') return null;
  const all = Number(minutes) * 60 + Number(seconds);
  return all >= 1 && all <= 36_000 ? all : null;
}

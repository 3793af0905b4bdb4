import { sha256 } from '@noble/hashes/sha2';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils';

/** A seed is below this. */
export const seeds = 1_000_000_000;

/**
 * The ticket that the n-th number of a seed falls on: SHA-256 of `seed:n`, its first twelve hexadecimal digits as a
 * number, the remainder by the number of tickets, plus one. `printf '%s' 4711:1 | sha256sum` gives the same digits.
 * Of 2^48 numbers and a million tickets no ticket is likelier than another by more than one in 10^8.
 * @param n from 1 on @param tickets at least 1 @returns 1 to `tickets`
 */
export function ticketOf(seed: number, n: number, tickets: number): number {
  const digits = bytesToHex(sha256(utf8ToBytes(`${seed}:${n}`))).slice(0, 12);
  return (Number.parseInt(digits, 16) % tickets) + 1;
}

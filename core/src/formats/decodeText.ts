/** The encodings that roster files come in. */
export type Encoding = 'utf-8' | 'utf-16le' | 'utf-16be' | 'windows-1252';

function startsWith(bytes: Uint8Array, ...start: number[]): boolean {
  return start.every((byte, index) => bytes[index] === byte);
}

/** Share of zero bytes at even and at odd places: Latin text in UTF-16 has them on one side only. */
function zeroShares(bytes: Uint8Array): [even: number, odd: number] {
  const length = Math.min(bytes.length, 2000);
  let even = 0;
  let odd = 0;
  for (let index = 0; index < length; index += 1) {
    if (bytes[index] !== 0) continue;
    if (index % 2 === 0) even += 1;
    else odd += 1;
  }
  return [(2 * even) / length, (2 * odd) / length];
}

/**
 * Which encoding a text file most likely has: by its byte order mark; by the zero bytes of UTF-16;
 * UTF-8 where it is valid; else Windows-1252, in which every byte is some letter.
 */
export function guessEncoding(bytes: Uint8Array): Encoding {
  if (startsWith(bytes, 0xef, 0xbb, 0xbf)) return 'utf-8';
  if (startsWith(bytes, 0xff, 0xfe)) return 'utf-16le';
  if (startsWith(bytes, 0xfe, 0xff)) return 'utf-16be';
  const [even, odd] = zeroShares(bytes);
  if (odd > 0.4 && even < 0.1) return 'utf-16le';
  if (even > 0.4 && odd < 0.1) return 'utf-16be';
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return 'utf-8';
  } catch {
    return 'windows-1252';
  }
}

/** The text of a file, without its byte order mark. */
export function decodeText(bytes: Uint8Array): string {
  return new TextDecoder(guessEncoding(bytes)).decode(bytes);
}

import fs from 'node:fs';
import path from 'node:path';
import fc from 'fast-check';

/** What is repeated until a text is long: words that parsers look for, and signs at which they cut. */
const tokens = [
  ...'aA \n\t1-.,;:"\'@/()<>=+*_&#%{}[]|\\\0\r'.split(''),
  ...['é', 'e\u0301', 'ß', 'İ', 'ﬃ', '𝒳', '\u200D', '\uFEFF', '\u00A0', '\uD800', '“', '’', '–'],
  ...[
    'monday ',
    'Mon, ',
    'to Friday ',
    'in ten days ',
    '2026-11-23 ',
    '11/23 ',
    '23.11. ',
    '3rd ',
    'the 3rd of ',
  ],
  ...[
    'next week ',
    'today tomorrow ',
    'look again ',
    'by friday ',
    'not on friday, ',
    '9:05 ',
    '9.05',
    '10:40 AM ',
  ],
  ...[
    'a@b.c',
    'a@',
    'mailto:',
    '<a@b.c>',
    'Mei <',
    'Mei ',
    'Mei Tanaka, ',
    'Mei; ',
    'T. ',
    "O'",
    "'s ",
    'mr. ',
    'de ',
  ],
  ...['x,', 'x;', 'x\t', '"x","y"\n', 'a,b\n', '""', '=1', '- ', '1. ', '&nbsp;', 'Total ', 'name,email\n'],
  ...[
    'BEGIN:VEVENT\nDTSTART;VALUE=DATE:20261012\n',
    'RRULE:FREQ=DAILY\n',
    'END:VEVENT\n',
    'BEGIN:VCALENDAR\n',
  ],
  ...['PK\u0003\u0004', '{"a":', '[', '\u0000\u0001', '<row r="1">', '00:40:00,'],
];

const repeated = (longest: number) =>
  fc
    .tuple(fc.array(fc.constantFrom(...tokens), { minLength: 1, maxLength: 3 }), fc.nat(longest), fc.string())
    .map(([parts, length, end]) => {
      const part = parts.join('');
      return part.repeat(Math.ceil(length / part.length)).slice(0, length) + end;
    });

const mixed = fc
  .array(fc.oneof(fc.constantFrom(...tokens), fc.string({ unit: 'binary', maxLength: 8 })), {
    maxLength: 120,
  })
  .map((parts) => parts.join(''));

/** A file of ours in which some bytes are others, gone, or there again and again. */
function damaged(files: readonly Buffer[]) {
  const change = fc.record({
    at: fc.double({ min: 0, max: 1, noNaN: true }),
    length: fc.nat(40),
    by: fc.oneof(
      fc.uint8Array({ maxLength: 20 }),
      fc.constantFrom(...tokens).map((token) => Buffer.from(token)),
    ),
    times: fc.constantFrom(0, 1, 1, 1, 200),
  });
  return fc
    .tuple(fc.constantFrom(...files), fc.array(change, { minLength: 1, maxLength: 6 }))
    .map(([file, changes]) => {
      let bytes = Buffer.from(file);
      for (const { at, length, by, times } of changes) {
        const from = Math.floor(at * bytes.length);
        const put = Buffer.concat(Array.from({ length: times }, () => Buffer.from(by)));
        bytes = Buffer.concat([bytes.subarray(0, from), put, bytes.subarray(from + length)]);
      }
      return bytes;
    });
}

/** Text of a usual length, and now and then as long as it can be. */
export function hostileText(longest: number): fc.Arbitrary<string> {
  return fc.oneof(
    { weight: 12, arbitrary: mixed },
    { weight: 6, arbitrary: repeated(400) },
    { weight: 1, arbitrary: repeated(longest) },
    { weight: 3, arbitrary: fc.string({ unit: 'binary', maxLength: 300 }) },
  );
}

/** Bytes that somebody could bring as a file. @param folder with files of ours to damage */
export function hostileFile(folder: string, longest: number): fc.Arbitrary<Uint8Array> {
  const files = fs.readdirSync(folder).map((name) => fs.readFileSync(path.join(folder, name)));
  return fc.oneof(
    { weight: 6, arbitrary: hostileText(longest).map((text) => Buffer.from(text)) },
    { weight: 4, arbitrary: damaged(files) },
    { weight: 1, arbitrary: fc.uint8Array({ maxLength: 400 }) },
  );
}

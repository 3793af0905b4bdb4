import { inflateSync } from 'node:zlib';

const header = { woff: 44, sfnt: 12 };
const entry = { woff: 20, sfnt: 16 };

/**
 * A typeface as its tables lie unpacked in a file: a maker of documents asks for them letter by letter, and would
 * unpack them each time. Source: WOFF File Format 1.0 (W3C), sections 3 to 5.
 * @param woff of version 1 @returns the same as an OpenType file
 */
export function unpackWoff(woff: Buffer): Buffer {
  const tables = Array.from({ length: woff.readUInt16BE(12) }, (_, at) => {
    const from = header.woff + at * entry.woff;
    const offset = woff.readUInt32BE(from + 4);
    const packed = woff.subarray(offset, offset + woff.readUInt32BE(from + 8));
    const length = woff.readUInt32BE(from + 12);
    const data = packed.length < length ? inflateSync(packed) : packed;
    return { tag: woff.subarray(from, from + 4), checksum: woff.readUInt32BE(from + 16), data };
  });
  const head = Buffer.alloc(header.sfnt + tables.length * entry.sfnt);
  const widest = 2 ** Math.floor(Math.log2(tables.length));
  head.writeUInt32BE(woff.readUInt32BE(4), 0);
  head.writeUInt16BE(tables.length, 4);
  head.writeUInt16BE(widest * 16, 6);
  head.writeUInt16BE(Math.log2(widest), 8);
  head.writeUInt16BE((tables.length - widest) * 16, 10);
  let offset = head.length;
  const parts = tables.map(({ tag, checksum, data }, at) => {
    const to = header.sfnt + at * entry.sfnt;
    tag.copy(head, to);
    head.writeUInt32BE(checksum, to + 4);
    head.writeUInt32BE(offset, to + 8);
    head.writeUInt32BE(data.length, to + 12);
    // Each begins at a multiple of four bytes.
    const padded = Buffer.concat([data, Buffer.alloc(-data.length & 3)]);
    offset += padded.length;
    return padded;
  });
  return Buffer.concat([head, ...parts]);
}

import { emailShape, longestEmail } from '../../records/emailShape';

/** Addresses of one cell, and what of it is none. */
export interface Addresses {
  emails: string[];
  broken: string[];
  /** Names that stand with the addresses: "Ana Silva <ana@x.org>". */
  names: string[];
}

const bracketed = /^(.*?)\s*<\s*([^<>]+?)\s*>\s*$/;
const partsOf = (text: string) =>
  text
    .replace(/<\s*/g, '<')
    .split(/[;,\n|]+|\s+(?:and|und|et|y|e|og|och|en|i|ve|ja|&|\/)\s+|\s*\/\s*(?=\S+@)|\s+(?=[^\s<>@]+@)/)
    .map((part) => part.trim())
    .filter((part) => part !== '');

/** Every address of a cell: between signs, words or spaces; `Name <address>` and `mailto:` are read. */
export function readAddresses(cell: string): Addresses {
  const found: Addresses = { emails: [], broken: [], names: [] };
  for (const part of partsOf(cell.replace(/\(\s*([^()\s]+@[^()\s]+)\s*\)/g, '<$1>'))) {
    const [, name = '', inside = part] = bracketed.exec(part) ?? [];
    const bare = inside
      .replace(/^<|>$/g, '')
      .replace(/^mailto:/i, '')
      .replace(/[.,;:]+$/, '')
      .trim();
    if (bare.length <= longestEmail && emailShape.test(bare)) {
      if (!found.emails.some((email) => email.toLowerCase() === bare.toLowerCase())) found.emails.push(bare);
      const clean = name.replace(/^["“”']+|["“”']+$/g, '').trim();
      if (clean) found.names.push(clean);
    } else if (bare.includes('@') || !bracketed.test(cell)) found.broken.push(part);
  }
  return found;
}

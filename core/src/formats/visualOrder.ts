import bidiFactory from 'bidi-js';

const bidi = bidiFactory();
/** Letters of scripts that are written from right to left. */
const rightToLeft = /[\p{Script=Arabic}\p{Script=Hebrew}\p{Script=Syriac}\p{Script=Thaana}\p{Script=Nko}]/u;

export const hasRightToLeft = (text: string): boolean => rightToLeft.test(text);

/** In which direction a line is read as a whole. */
export type Direction = 'ltr' | 'rtl';

/**
 * In which direction a text of people is read: that of most of its letters, for an English sentence may begin with an
 * Arabic name (UAX 9, rule HL1, leaves it to the program).
 */
export function directionOf(text: string): Direction {
  const letters = text.match(/\p{L}/gu) ?? [];
  const against = letters.filter((letter) => rightToLeft.test(letter)).length;
  return against * 2 > letters.length ? 'rtl' : 'ltr';
}

interface Piece {
  text: string;
  level: number;
}

/** Pieces of one level each, cut at spaces too. */
function piecesOf(line: string, direction: Direction | undefined): Piece[] {
  const { levels } = bidi.getEmbeddingLevels(line, direction);
  const pieces: Piece[] = [];
  let space: boolean | null = null;
  for (let at = 0; at < line.length; at++) {
    const level = levels[at] ?? 0;
    const sign = line.charAt(at);
    const isSpace = /\s/.test(sign);
    const shown = level % 2 === 1 ? (bidi.getMirroredCharacter(sign) ?? sign) : sign;
    const last = pieces.at(-1);
    if (last?.level === level && space === isSpace) last.text += shown;
    else pieces.push({ text: shown, level });
    space = isSpace;
  }
  return pieces;
}

/**
 * A line of text in the order in which its pieces stand from left to right, for what sets words one after the other
 * and shapes each of them by itself: the letters within a piece stay in the order in which they are read.
 * Source: the Unicode Bidirectional Algorithm (UAX 9), rule L2, over pieces; levels by the package bidi-js.
 * @param direction of the whole; that of its first letter unless said
 * @returns the pieces, spaces among them; a line without letters from right to left is one piece
 */
export function visualOrder(line: string, direction?: Direction): string[] {
  if (!hasRightToLeft(line)) return line === '' ? [] : [line];
  const pieces = piecesOf(line, direction);
  const highest = Math.max(...pieces.map(({ level }) => level));
  for (let level = highest; level >= 1; level--)
    for (let at = 0; at < pieces.length; at++) {
      let end = at;
      while ((pieces[end]?.level ?? 0) >= level) end++;
      if (end === at) continue;
      pieces.splice(at, end - at, ...pieces.slice(at, end).reverse());
      at = end;
    }
  return pieces.map(({ text }) => text);
}

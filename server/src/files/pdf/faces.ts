import { createRequire } from 'node:module';
import fs from 'node:fs';
import path from 'node:path';
import { create, type Font } from 'fontkit';
import { unpackWoff } from './unpackWoff';

const require = createRequire(import.meta.url);

/** A part of a typeface that has some letters: the packages cut a typeface by script. */
export interface Face {
  /** As documents call it. */
  name: string;
  /** As OpenType files. */
  normal: () => Buffer;
  bold: () => Buffer;
  /** In units of a thousandth of the size; null where the shaper fails at placing the marks of these letters. */
  widthOf(text: string): number | null;
  /** How far it reaches above the line, as a part of its size. */
  ascent(): number;
  has(codePoint: number): boolean;
}

type Span = readonly [from: number, to: number];

interface Family {
  package: string;
  weights: readonly [normal: number, bold: number];
}

/** For titles; what it lacks comes from the text's own. */
const titleFamily: Family = { package: 'bitter', weights: [600, 600] };
const noto = (script: string): Family => ({ package: `noto-sans${script}`, weights: [400, 700] });
/** The first that has a word's letters sets it. */
const textFamilies: readonly Family[] = [
  { package: 'atkinson-hyperlegible-next', weights: [400, 700] },
  noto(''),
  // Its letters are whole glyphs: text that is copied out of a document is what was put in.
  { package: 'vazirmatn', weights: [400, 700] },
  ...['-hebrew', '-devanagari', '-bengali', '-gurmukhi', '-tamil', '-thai'].map(noto),
  ...['-ethiopic', '-georgian', '-armenian', '-sc', '-kr'].map(noto),
];

/** "U+0041-005A,U+20AC" as spans. */
const spansOf = (ranges: string): Span[] =>
  ranges.split(',').map((range) => {
    const [from = '', to = from] = range.trim().replace(/^U\+/, '').split('-');
    return [parseInt(from, 16), parseInt(to, 16)];
  });

interface Part {
  face: Face;
  spans: readonly Span[];
}

function once<T>(make: () => T): () => T {
  let made: { it: T } | undefined;
  return () => (made ??= { it: make() }).it;
}

function faceOf(folder: string, { package: name, weights }: Family, subset: string): Face {
  const file = (weight: number) =>
    unpackWoff(fs.readFileSync(path.join(folder, 'files', `${name}-${subset}-${weight}-normal.woff`)));
  const [normal, bold] = weights.map((weight) => once(() => file(weight))) as [() => Buffer, () => Buffer];
  const font = once(() => create(normal()) as Font);
  const widths = new Map<string, number | null>();
  const measured = (text: string) => {
    try {
      return (font().layout(text).advanceWidth * 1000) / font().unitsPerEm;
    } catch {
      return null;
    }
  };
  return {
    ...{ name: `${name}/${subset}`, normal, bold },
    ascent: () => font().ascent / font().unitsPerEm,
    has(codePoint) {
      try {
        return font().hasGlyphForCodePoint(codePoint);
      } catch {
        // One part of the Chinese typeface comes without its table of letters.
        return false;
      }
    },
    widthOf(text) {
      const known = widths.get(text);
      if (known !== undefined) return known;
      const width = measured(text);
      if (widths.size < 5000) widths.set(text, width);
      return width;
    },
  };
}

function partsOf(family: Family): Part[] {
  const folder = path.dirname(require.resolve(`@fontsource/${family.package}/package.json`));
  const subsets = JSON.parse(fs.readFileSync(path.join(folder, 'unicode.json'), 'utf8')) as Record<
    string,
    string
  >;
  return Object.entries(subsets).map(([subset, ranges]) => ({
    // The parts of large typefaces are numbered, in brackets.
    face: faceOf(folder, family, subset.replace(/[[\]]/g, '')),
    spans: spansOf(ranges),
  }));
}

const within = (spans: readonly Span[], codePoint: number) =>
  spans.some(([from, to]) => from <= codePoint && codePoint <= to);

const faceIn = (parts: readonly Part[], codePoint: number): Face | undefined =>
  parts.find(({ spans, face }) => within(spans, codePoint) && face.has(codePoint))?.face;

const families = once(() => ({ title: partsOf(titleFamily), text: textFamilies.map(partsOf) }));

const used = new Map<string, Face>();
const known = new Map<string, (Face | undefined)[]>();

/** The face of a letter in each family, in the order of the families; remembered, for a class has few letters. */
function facesOf(letter: string, title: boolean): (Face | undefined)[] {
  const key = `${title ? 'T' : ''}${letter}`;
  const before = known.get(key);
  if (before) return before;
  const codePoint = letter.codePointAt(0) ?? 0;
  const { title: titles, text } = families();
  const found = [...(title ? [titles] : []), ...text].map((parts) => faceIn(parts, codePoint));
  if (known.size < 20_000) known.set(key, found);
  for (const face of found) if (face) used.set(face.name, face);
  return found;
}

/** What stands for a letter that no typeface here has. */
export const missingLetter = '\uFFFD';

export interface Run {
  text: string;
  face: Face;
}

/** Marks that join a letter, and signs without a width: they are set with what is before them, or not at all. */
const joins = /^(?:\p{M}|\p{Default_Ignorable_Code_Point})$/u;

/**
 * A word with the faces that set it: one family for all of its letters where one has them, so that no word changes its
 * look half-way; else letter by letter. A letter that none has is shown as a sign for that.
 */
export function runsOf(word: string, title = false): Run[] {
  const letters = Array.from(word);
  const choices = letters.map((letter) => facesOf(letter, title));
  const whole = (choices[0] ?? []).findIndex((_, family) =>
    choices.every((faces, at) => faces[family] !== undefined || joins.test(letters[at] ?? '')),
  );
  const runs: Run[] = [];
  letters.forEach((letter, at) => {
    const faces = choices[at] ?? [];
    const face = whole >= 0 ? faces[whole] : faces.find((one) => one !== undefined);
    const last = runs.at(-1);
    if (!face && joins.test(letter)) return;
    const shown = face
      ? { text: letter, face }
      : { text: missingLetter, face: facesOf(missingLetter, false).find(Boolean) };
    if (!shown.face) return;
    if (last?.face === shown.face) last.text += shown.text;
    else runs.push({ text: shown.text, face: shown.face });
  });
  return runs;
}

/** Every face that was used so far. */
export const facesInUse = (): Face[] => [...used.values()];

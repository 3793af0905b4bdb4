import type { Span } from './searchTerms';

/** A piece of a text: shown plain, or brought out. */
export interface Piece {
  text: string;
  hit: boolean;
}

const around = 60;

/** A text taken apart at the places to bring out; places that overlap are one. */
export function piecesOf(text: string, spans: readonly Span[]): Piece[] {
  const pieces: Piece[] = [];
  let at = 0;
  for (const { from, to } of spans.toSorted((a, b) => a.from - b.from)) {
    const begin = Math.max(from, at);
    const end = Math.min(to, text.length);
    if (begin >= end) continue;
    if (begin > at) pieces.push({ text: text.slice(at, begin), hit: false });
    pieces.push({ text: text.slice(begin, end), hit: true });
    at = end;
  }
  if (at < text.length) pieces.push({ text: text.slice(at), hit: false });
  return pieces;
}

/** Where a word begins at or after a place, so that none is cut. */
function wordStart(text: string, at: number): number {
  if (at <= 0) return 0;
  const space = text.slice(at).search(/\s/);
  return space < 0 ? at : at + space + 1;
}

/**
 * The passage of a long text around the first place to bring out, in pieces; a short text is whole.
 * @param most characters that are shown
 */
export function passageOf(text: string, spans: readonly Span[], most = 240): Piece[] {
  if (text.length <= most) return piecesOf(text, spans);
  const first = spans.toSorted((a, b) => a.from - b.from)[0]?.from ?? 0;
  const from = first <= around * 2 ? 0 : wordStart(text, first - around);
  const rough = Math.min(from + most, text.length);
  const space = text.lastIndexOf(' ', rough);
  const to = rough === text.length || space <= first ? rough : space;
  const inside = spans
    .map((span) => ({ from: span.from - from, to: span.to - from }))
    .filter((span) => span.to > 0);
  const clipped = inside.map((span) => ({ from: Math.max(span.from, 0), to: span.to }));
  const pieces = piecesOf(text.slice(from, to), clipped);
  const ellipsis = { text: '…', hit: false };
  return [...(from > 0 ? [ellipsis] : []), ...pieces, ...(to < text.length ? [ellipsis] : [])];
}

import type { Word } from '../words';

/** Verbs by which somebody says something. */
export const reporting = new Set('told said says wrote mentioned heard thinks knows'.split(' '));

/** "He comes on Monday, the doctor has said": who says so. */
export function isReport(part: readonly Word[]): boolean {
  const told = /^(?:me|us|him|her|them)$/.test(part.at(-1)?.folded ?? '') ? -2 : -1;
  return part.length <= 5 && part.length > 1 && reporting.has(part.at(told)?.folded ?? '');
}

/** Of "she told that her father comes on Thursday" what was told. */
export function reported(part: Word[], date: Word | undefined): Word[] {
  const that = part.findIndex(
    ({ folded }, at) =>
      folded === 'that' && part.slice(Math.max(0, at - 4), at).some((word) => reporting.has(word.folded)),
  );
  if (date === undefined) return part;
  const at = part.indexOf(date);
  if (that < 0) return saidWithoutThat(part, at);
  // "I said that on Monday is the last chance".
  const isPresent = /^(?:is|are|has|have|comes?|goes|starts?|begins?|needs?|wants?|will|can|must)$/.test(
    part[at + 1]?.folded ?? '',
  );
  return at - that > 3 || (at > that && isPresent) ? part.slice(that + 1) : part;
}

/** "She has told me she is away on Friday": what was told, from its own subject on. */
function saidWithoutThat(part: Word[], at: number): Word[] {
  const subject = part.findIndex(
    ({ folded }, index) =>
      index > 0 &&
      index < at &&
      /^(?:he|she|they|it|i|we)$/.test(folded) &&
      part.slice(Math.max(0, index - 2), index).some((word) => reporting.has(word.folded)) &&
      /^(?:is|are|am|has|have|comes?|wants?|needs?|can|must|will)$/.test(part[index + 1]?.folded ?? ''),
  );
  return subject < 0 ? part : part.slice(subject);
}

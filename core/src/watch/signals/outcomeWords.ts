import type { StepOutcome } from './stepOutcome';
import { counted, day, streamWords } from './words';

/** Fewer times than this say nothing yet. */
export const fewestAfter = 4;

const verdictWords = { better: 'better', same: 'no clear change yet', worse: 'worse' } as const;
const number = (value: number) =>
  Math.abs(value) < 10 ? value.toFixed(2).replace(/\.?0+$/, '') : value.toFixed(0);

/** An outcome in one sentence. */
export function outcomeInWords(outcome: StepOutcome, date: string): string {
  const { stream, verdict, seenAfter, before, after, classBefore, classAfter } = outcome;
  const what = streamWords[stream];
  if (verdict === 'too_few')
    return `${capital(what)}: seen ${counted(seenAfter, 'time')} since ${day(date)}, too few to tell; from ${counted(fewestAfter, 'time')} on it says more.`;
  return `${capital(what)}: ${number(before)} before, ${number(after)} since ${day(date)} (${verdictWords[verdict]}); the class went from ${number(classBefore)} to ${number(classAfter)}, which is taken off.`;
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

import { isOwing, leftToPay, tickState } from '../../ticks/tickState';
import { moneyWords, tickWords } from '../../ticks/tickWords';
import { dayIn, type PageLanguage } from '../readerPage/language';
import { wordsIn } from '../readerPage/fixedWords/wordsIn';
import type { PagePart } from '../readerPage/block';
import type { OwnClass } from './onPage';

type Shown = OwnClass['ticks'][number];

function lineOf({ column, tick }: Shown, language: PageLanguage) {
  const say = wordsIn(language);
  const state = tickState(column, tick);
  const owing = isOwing(column, tick);
  const left = column.kind === 'fee' ? moneyWords(leftToPay(column, tick), column.unit) : '';
  // Counts as figures: the words around them are English.
  const part = `${tick?.value ?? ''} / ${column.most ?? 0}`;
  const value = column.kind === 'ofMany' ? part : tickWords(column, tick, (day) => dayIn(language, day));
  const stands = column.kind === 'tick' || column.kind === 'fee' ? '' : value;
  const status = {
    open: [say('missing'), left].filter(Boolean).join(': '),
    part: [say('missing'), left || part].join(': '),
    done: stands === '' ? say('tickDone') : stands,
    exempt: say('tickExempt'),
  }[state];
  const due = owing && column.dueOn !== null ? say('due', { day: dayIn(language, column.dueOn) }) : '';
  return { title: column.name, status, about: [due, column.legend].filter(Boolean).join(', ') };
}

/** What a class collects and shows its students, as a part of a student's own page. */
export function ticksPart(ticks: OwnClass['ticks'], language: PageLanguage): PagePart {
  const lines = ticks.map((one) => lineOf(one, language));
  return { title: wordsIn(language)('ticks'), blocks: [{ kind: 'pieces', lines }] };
}

import { escaped } from '../../formats/html';
import { dayIn } from '../readerPage/language';
import { mostWrittenBack } from '../readerPage/limits';
import { wordsIn } from '../readerPage/fixedWords/wordsIn';
import type { PagePart } from '../readerPage/block';
import { partsOf } from '../readerPage/parts';
import { framed, titleHtml, type Heard } from '../readerPage/render/page';
import { partHtml } from '../readerPage/render/student';
import type { CountingOnPage, OwnClass, OwnFacts } from './onPage';
import { ticksPart } from './ticksPart';

type Say = ReturnType<typeof wordsIn>;

const countsWord = {
  here: 'asHere',
  late: 'asLate',
  left_early: 'asLeftEarly',
  away: 'asAway',
  not_counted: 'asNothing',
} as const;

function countingPart({ standings, rules }: CountingOnPage, say: Say): PagePart {
  const { graceMinutes, latesPerAbsence, awayFromShare } = rules;
  const lines = standings.map(({ name, countsAs, excused }) => ({
    title: name,
    status: say(countsAs === 'away' && excused ? 'asExcused' : countsWord[countsAs]),
    about: '',
  }));
  const sentences = [
    graceMinutes > 0 ? say('forgiven', { count: graceMinutes }) : '',
    latesPerAbsence === null ? '' : say('latesRule', { count: latesPerAbsence }),
    awayFromShare === null ? '' : say('awayRule', { count: Math.round(awayFromShare * 100) }),
  ];
  const text = sentences.filter(Boolean).join(' ');
  return {
    title: say('countsHow'),
    blocks: [{ kind: 'pieces', lines }, ...(text === '' ? [] : [{ kind: 'quiet', text } as const])],
  };
}

function wordForm({ sectionId, teacher, language }: OwnClass, say: Say): string {
  const id = `words-${escaped(sectionId)}`;
  return (
    `<section><form method="post"><h3><label for="${id}" lang="${language}">${escaped(say('writeTo', { name: teacher }))}</label></h3>` +
    `<input type="hidden" name="section" value="${escaped(sectionId)}">` +
    `<textarea id="${id}" name="words" rows="3" maxlength="${mostWrittenBack}"></textarea>` +
    `<button>${escaped(say('send'))}</button></form></section>`
  );
}

function classHtml(own: OwnClass): string {
  const { name, teacher, language, from, to, student, counting, ticks, mayWrite } = own;
  const say = wordsIn(language);
  const days = say('upTo', { from: dayIn(language, from), to: dayIn(language, to) });
  const [first, ...others] = partsOf(student, own);
  const parts = [
    ...(first ? [first] : []),
    ...(counting ? [countingPart(counting, say)] : []),
    ...(ticks.length > 0 ? [ticksPart(ticks, language)] : []),
    ...others,
  ];
  return (
    `<h2>${escaped(name)}</h2><p class="quiet">${escaped(`${teacher}\u00A0· ${days}`)}</p>` +
    parts.map((part) => partHtml(part, 3)).join('') +
    (mayWrite ? wordForm(own, say) : '')
  );
}

/** A student's own page as HTML: whole in itself, without any script, with nothing of anybody else. */
export function ownPage(
  { name, school, classes }: OwnFacts,
  heard: readonly { one: Heard; teacher: string }[],
): string {
  const language = classes[0]?.language ?? 'en';
  const say = wordsIn(language);
  const said = heard.map(({ one, teacher }) =>
    say(one === 'thanks' ? 'wordHeard' : one, { name: teacher, count: mostWrittenBack }),
  );
  const body =
    `<p class="quiet">${escaped([school, say('yours')].filter(Boolean).join('\u00A0· '))}</p>` +
    `<main>${titleHtml(name)}` +
    said.map((text) => `<p class="said" role="status">${escaped(text)}</p>`).join('') +
    classes.map(classHtml).join('') +
    `</main><section><p class="quiet">${escaped(say('ownFooter'))}</p></section>`;
  return framed({ language, title: name, body });
}

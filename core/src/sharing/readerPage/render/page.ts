import { escaped } from '../../../formats/html';
import { dayIn, isRightToLeft, pageLanguages, type PageLanguage } from '../language';
import { wordsIn } from '../fixedWords/wordsIn';
import { titleOf, type PageFacts } from '../onPage';
import { mostWrittenBack } from '../limits';
import { pageStyle } from './style';
import { classParts, studentParts } from './student';

/** The title's face has to be fetched once more for letters beyond these; then the text's own is taken. */
const plainLetters = /^[\u0020-\u007E\u00A0-\u00FF\u2019]*$/;

export const titleHtml = (title: string): string =>
  `<h1${plainLetters.test(title) ? ' class="title"' : ''}>${escaped(title)}</h1>`;

interface Frame {
  language: PageLanguage;
  title: string;
  /** Safe HTML. */
  body: string;
}

/** A page that is whole in itself, without any script. */
export const framed = ({ language, title, body }: Frame) =>
  `<!doctype html><html lang="${language}" dir="${isRightToLeft(language) ? 'rtl' : 'ltr'}"><head><meta charset="utf-8">` +
  `<meta name="viewport" content="width=device-width,initial-scale=1"><meta name="robots" content="noindex,nofollow,noarchive">` +
  `<title>${escaped(title)}</title><link rel="stylesheet" href="/fonts/fonts.css"><style>${pageStyle}</style></head><body>${body}</body></html>`;

/** Never at the beginning of a line. */
const dot = '\u00A0· ';

/** What a reader is told about what they wrote. */
export type Heard = 'thanks' | 'shortened' | 'enough' | 'nothingWritten';

interface Answering {
  /** What they have entered, so that they need not enter it again to write back. */
  code: string;
  heard: readonly Heard[];
}

function writeBack({ language, teacher }: PageFacts, code: string): string {
  const say = wordsIn(language);
  return (
    `<section><form method="post"><h2><label for="words">${escaped(say('writeBack'))}</label></h2>` +
    (code === '' ? '' : `<input type="hidden" name="code" value="${escaped(code)}">`) +
    `<textarea id="words" name="words" rows="4" maxlength="${mostWrittenBack}" placeholder="${escaped(say('writeTo', { name: teacher }))}"></textarea>` +
    `<button>${escaped(say('send'))}</button></form></section>`
  );
}

/** A reader's page as HTML: whole in itself, without any script, the same in a preview and when it is opened. */
export function readerPage(page: PageFacts, { code, heard }: Answering): string {
  const { language, school, teacher, from, to, until, summary, students, section, mayWriteBack } = page;
  const say = wordsIn(language);
  const several = students.length > 1;
  const title = titleOf(page);
  const withYear = from.slice(0, 4) !== to.slice(0, 4);
  const days = { from: dayIn(language, from, withYear), to: dayIn(language, to, withYear) };
  const about = [
    school,
    say('from', { name: teacher }),
    say('until', { day: dayIn(language, until, until.slice(0, 4) !== to.slice(0, 4)) }),
  ].filter(Boolean);
  const classes = (names: readonly string[]) => [...names, say('upTo', days)].join(dot);
  const quiet = (text: string) => `<p class="quiet">${escaped(text)}</p>`;
  const said = heard.map((one) => say(one, { name: teacher, count: mostWrittenBack }));
  const body =
    quiet(about.join(dot)) +
    `<main>${titleHtml(title)}` +
    (several
      ? quiet(say('upTo', days))
      : quiet(
          classes(section ? [`${say('students')}: ${section.students}`] : (students[0]?.classes ?? [])),
        )) +
    said.map((text) => `<p class="said" role="status">${escaped(text)}</p>`).join('') +
    (summary === '' ? '' : `<p class="lead">${escaped(summary)}</p>`) +
    students
      .map((student) =>
        several
          ? `<h2>${escaped(student.name)}</h2>${student.classes.length > 0 ? quiet(student.classes.join(dot)) : ''}${studentParts(student, page, 3)}`
          : studentParts(student, page, 2),
      )
      .join('') +
    (section ? classParts(section, page) : '') +
    (mayWriteBack ? writeBack(page, code) : '') +
    `</main><section>${quiet(say(section ? 'unnamedFooter' : 'footer'))}</section>`;
  return framed({ language, title, body });
}

/** Before a page that has a code: nothing of it is told yet. */
export function codePage(language: PageLanguage, wrong: 'wrongCode' | 'slow' | null): string {
  const say = wordsIn(language);
  const body =
    `<main><h1>${escaped(say('codeTitle'))}</h1>` +
    (wrong ? `<p class="said" role="alert">${escaped(say(wrong))}</p>` : '') +
    `<form method="post"><label for="code">${escaped(say('code'))}</label><input id="code" name="code" autocomplete="off" autocapitalize="none" required><button>${escaped(say('open'))}</button></form></main>`;
  return framed({ language, title: say('codeTitle'), body });
}

/** The same for a page that has ended, a link with a slip in it, and one that never was. */
export function gonePage(): string {
  const lines = pageLanguages.map(
    (language) =>
      `<p lang="${language}" dir="${isRightToLeft(language) ? 'rtl' : 'ltr'}">${escaped(wordsIn(language)('gone'))}</p>`,
  );
  const title = wordsIn('en')('gone');
  return framed({ language: 'en', title, body: `<main>${lines.join('')}</main>` });
}

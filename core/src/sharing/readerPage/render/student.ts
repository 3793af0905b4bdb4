import { escaped } from '../../../formats/html';
import type { PieceStatus } from '../../../work/pieceStatus';
import { dayIn } from '../language';
import type { FixedWords } from '../fixedWords/en';
import { wordsIn } from '../fixedWords/wordsIn';
import type { CountsOnPage, Dated, PageFacts, PieceOnPage, PresenceOnPage, StudentOnPage } from '../onPage';
import { countsChart, courseChart, presenceChart } from './charts';

type Page = Pick<PageFacts, 'language' | 'levels'>;
type Say = ReturnType<typeof wordsIn>;

const part = (title: string, inside: string, level: 2 | 3) =>
  `<section><h${level}>${escaped(title)}</h${level}>${inside}</section>`;
const quiet = (text: string) => `<p class="quiet">${escaped(text)}</p>`;

/** Numbers with their names. */
const figures = (pairs: readonly (readonly [string, number | string])[]) =>
  `<dl>${pairs.map(([name, value]) => `<div><dt>${escaped(name)}</dt><dd>${escaped(String(value))}</dd></div>`).join('')}</dl>`;

function presencePart(presence: PresenceOnPage, say: Say): string {
  const { taken, away, late, leftEarly, excused } = presence;
  if (taken === 0) return quiet(say('noLesson'));
  const there = say('ofLessons', { there: taken - away, taken });
  const exceptions: [string, number][] = [
    [say('late'), late],
    [say('leftEarly'), leftEarly],
    [say('away'), away],
    [say('excused'), excused],
  ];
  const told = exceptions.filter(([, value]) => value > 0);
  return `<p><strong>${escaped(there)}</strong></p>${presenceChart(presence, there)}${told.length > 0 ? figures(told) : ''}`;
}

const inkOf = { wanted: 'lichen', unwanted: 'clay', neutral: 'inkQuiet' } as const;
const axisOf = { count: 'timesALesson', seconds: 'minutesALesson', tick: 'lessonsTicked' } as const;
const tenths = (value: number) => Math.round(value * 10) / 10;

function countsPart({ lessons, tone, measure, comment }: CountsOnPage, { language }: Page, say: Say): string {
  const seen = lessons.filter(({ value }) => value !== null);
  const [first, last] = [lessons[0]?.date, lessons.at(-1)?.date];
  const said = comment === '' ? '' : `<p class="text">${escaped(comment)}</p>`;
  if (seen.length === 0 || first === undefined || last === undefined) return quiet(say('notObserved')) + said;
  const sum = tenths(seen.reduce((all, { value }) => all + (value ?? 0), 0));
  const axis = say(axisOf[measure]);
  const numbers: [string, number][] = [
    [say('inAll'), sum],
    [say('observedLessons'), seen.length],
  ];
  const words = numbers.map(([name, value]) => `${name} ${value}`).join(', ');
  const days = { first: dayIn(language, first), last: dayIn(language, last) };
  const chart = countsChart(lessons, inkOf[tone], { says: `${axis}: ${words}`, ...days });
  return quiet(axis) + chart + figures(numbers) + said;
}

function coursePart(
  points: readonly Dated[],
  levels: readonly { value: number; name: string }[],
  ink: 'slate' | 'inkQuiet',
  about: string,
  { language }: Page,
  say: Say,
): string {
  const [first, last] = [points[0]?.date, points.at(-1)?.date];
  if (first === undefined || last === undefined) return quiet(say('noneYet'));
  const days = { first: dayIn(language, first), last: dayIn(language, last) };
  const nameOf = (value: number) => levels.find((level) => level.value === value)?.name ?? String(value);
  const says = points.map(({ date, value }) => `${dayIn(language, date)}: ${nameOf(value)}`).join('; ');
  return quiet(about) + courseChart(points, ink, levels, { says, ...days });
}

const statusNames: Record<PieceStatus, keyof FixedWords> = {
  on_time: 'onTime',
  late: 'workLate',
  missing: 'missing',
  excused: 'workExcused',
  not_due: 'notDue',
  unknown: 'unknown',
};

function workPart(pieces: readonly PieceOnPage[], { language }: Page, say: Say): string {
  if (pieces.length === 0) return quiet(say('noWork'));
  const lines = pieces.map(({ title, dueOn, status, score }) => {
    const about = [
      dueOn === null ? '' : say('due', { day: dayIn(language, dueOn) }),
      score === '' ? '' : `${say('score')} ${score}`,
    ].filter(Boolean);
    return `<li>${escaped(title)}: <strong>${escaped(say(statusNames[status]))}</strong>${about.length > 0 ? ` <span class="quiet">${escaped(about.join(', '))}</span>` : ''}</li>`;
  });
  return `<ul>${lines.join('')}</ul>`;
}

const datedTexts = (texts: readonly { date: string; text: string }[], { language }: Page) =>
  `<ul>${texts.map(({ date, text }) => `<li><span class="quiet">${escaped(dayIn(language, date))}</span><div class="text">${escaped(text)}</div></li>`).join('')}</ul>`;

/** All parts of one student that were chosen. @param level of their headings */
export function studentParts(student: StudentOnPage, page: Page, level: 2 | 3): string {
  const say = wordsIn(page.language);
  const { presence, counts, engagement, work, weather, notes, steps } = student;
  const named = page.levels.map((name, value) => ({ value, name }));
  const sky = [
    { value: 1, name: say('storm') },
    { value: 5, name: say('clear') },
  ];
  return [
    presence && part(say('there'), presencePart(presence, say), level),
    ...counts.map((one) => part(one.name, countsPart(one, page, say), level)),
    engagement &&
      part(
        say('engagement'),
        coursePart(engagement, named, 'slate', say('engagementAxis'), page, say),
        level,
      ),
    work && part(say('work'), workPart(work, page, say), level),
    weather && part(say('weather'), coursePart(weather, sky, 'inkQuiet', '', page, say), level),
    steps && part(say('steps'), steps.length > 0 ? datedTexts(steps, page) : quiet(say('noneYet')), level),
    notes && part(say('notes'), notes.length > 0 ? datedTexts(notes, page) : quiet(say('noNotes')), level),
  ]
    .filter((one) => one !== null)
    .join('');
}

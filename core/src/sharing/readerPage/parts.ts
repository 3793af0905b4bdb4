import type { Block, PagePart } from './block';
import type { PieceStatus } from '../../work/pieceStatus';
import { dayIn } from './language';
import type { FixedWords } from './fixedWords/en';
import { wordsIn } from './fixedWords/wordsIn';
import type {
  CircleOnPage,
  CountsOnPage,
  Dated,
  PageFacts,
  PieceOnPage,
  PresenceOnPage,
  StudentOnPage,
} from './onPage';
import { countsChart, courseChart, presenceChart } from './render/charts';
import { observationBlocks } from './observationPart';

type Page = Pick<PageFacts, 'language' | 'levels'>;
type Say = ReturnType<typeof wordsIn>;

const quiet = (text: string): Block => ({ kind: 'quiet', text });

function presenceBlocks(presence: PresenceOnPage, say: Say): Block[] {
  const { taken, away, late, leftEarly, excused } = presence;
  if (taken === 0) return [quiet(say('noLesson'))];
  const there = say('ofLessons', { there: taken - away, taken });
  const exceptions: [string, number][] = [
    [say('late'), late],
    [say('leftEarly'), leftEarly],
    [say('away'), away],
    [say('excused'), excused],
  ];
  const pairs = exceptions.filter(([, value]) => value > 0);
  return [
    { kind: 'strong', text: there },
    { kind: 'picture', svg: presenceChart(presence, there) },
    ...(pairs.length > 0 ? [{ kind: 'figures', pairs } as const] : []),
  ];
}

const inkOf = { wanted: 'lichen', unwanted: 'clay', neutral: 'inkQuiet' } as const;
const axisOf = { count: 'timesALesson', seconds: 'minutesALesson', tick: 'lessonsTicked' } as const;
const tenths = (value: number) => Math.round(value * 10) / 10;

const sessionsOf = (lessons: CountsOnPage['lessons'], language: Page['language']): Block => ({
  kind: 'sessions',
  lines: lessons.map(({ date, value }) => ({
    day: dayIn(language, date),
    value: value === null ? '–' : String(tenths(value)),
  })),
});

/** A look-for: its chart, sums and what is said of it. */
export function countsBlocks(
  { lessons, tone, measure, comment }: CountsOnPage,
  { language }: Page,
  say: Say,
): Block[] {
  const seen = lessons.filter(({ value }) => value !== null);
  const [first, last] = [lessons[0]?.date, lessons.at(-1)?.date];
  const said: Block[] = comment === '' ? [] : [{ kind: 'text', text: comment }];
  if (seen.length === 0 || first === undefined || last === undefined)
    return [quiet(say('notObserved')), ...said];
  const sum = tenths(seen.reduce((all, { value }) => all + (value ?? 0), 0));
  const axis = say(axisOf[measure]);
  const pairs: [string, number][] = [
    [say('inAll'), sum],
    [say('observedLessons'), seen.length],
  ];
  const inWords = pairs.map(([name, value]) => `${name} ${value}`).join(', ');
  const days = { first: dayIn(language, first), last: dayIn(language, last) };
  const svg = countsChart(lessons, inkOf[tone], { says: `${axis}: ${inWords}`, ...days });
  return [
    quiet(axis),
    // A picture of nothing says no more than the numbers.
    ...(sum === 0 ? [] : [{ kind: 'picture', svg } as const]),
    { kind: 'figures', pairs },
    ...(sum === 0 ? [] : [sessionsOf(lessons, language)]),
    ...said,
  ];
}

/** Values between levels that have names, as a line. */
export function courseBlocks(
  points: readonly Dated[],
  levels: readonly { value: number; name: string }[],
  ink: 'slate' | 'inkQuiet',
  about: string,
  { language }: Page,
  say: Say,
): Block[] {
  const [first, last] = [points[0]?.date, points.at(-1)?.date];
  if (first === undefined || last === undefined) return [quiet(say('noneYet'))];
  const days = { first: dayIn(language, first), last: dayIn(language, last) };
  const nameOf = (value: number) => levels.find((level) => level.value === value)?.name ?? String(value);
  const says = points.map(({ date, value }) => `${dayIn(language, date)}: ${nameOf(value)}`).join('; ');
  return [quiet(about), { kind: 'picture', svg: courseChart(points, ink, levels, { says, ...days }) }];
}

export const statusNames: Record<PieceStatus, keyof FixedWords> = {
  on_time: 'onTime',
  late: 'workLate',
  missing: 'missing',
  excused: 'workExcused',
  not_due: 'notDue',
  unknown: 'unknown',
};

function workBlocks(pieces: readonly PieceOnPage[], { language }: Page, say: Say): Block[] {
  if (pieces.length === 0) return [quiet(say('noWork'))];
  const lines = pieces.map(({ title, dueOn, status, score }) => {
    const about = [
      dueOn === null ? '' : say('due', { day: dayIn(language, dueOn) }),
      score === '' ? '' : `${say('score')} ${score}`,
    ];
    return { title, status: say(statusNames[status]), about: about.filter(Boolean).join(', ') };
  });
  return [{ kind: 'pieces', lines }];
}

function datedBlocks(
  texts: readonly { date: string; text: string }[],
  { language }: Pick<Page, 'language'>,
  none: string,
): Block[] {
  if (texts.length === 0) return [quiet(none)];
  return [{ kind: 'dated', lines: texts.map(({ date, text }) => ({ day: dayIn(language, date), text })) }];
}

function circlesBlocks(circles: readonly CircleOnPage[], { language }: Page, say: Say): Block[] {
  const texts = circles.map(({ date, feedback, goal, isReached, nextGoal }) => {
    const aims = [
      goal === '' ? '' : `${say('goal')}: ${goal}, ${say(isReached ? 'reached' : 'notReached')}`,
      nextGoal === '' ? '' : `${say('nextGoal')}: ${nextGoal}`,
    ];
    return { date, text: [feedback, ...aims].filter(Boolean).join('\n') };
  });
  return datedBlocks(texts, { language }, say('noneYet'));
}

/** The ends of what is said of inner weather. */
export const skyIn = (say: Say) => [
  { value: 1, name: say('storm') },
  { value: 5, name: say('clear') },
];

/** All parts of one student that were chosen, in their order. */
export function partsOf(student: StudentOnPage, page: Page): PagePart[] {
  const say = wordsIn(page.language);
  const { presence, counts, engagement, work, weather, circles, observations, nods, notes, steps } = student;
  const named = page.levels.map((name, value) => ({ value, name }));
  const axis = say('engagementAxis');
  return [
    presence && { title: say('there'), blocks: presenceBlocks(presence, say) },
    ...counts.map((one) => ({ title: one.name, blocks: countsBlocks(one, page, say) })),
    engagement && {
      title: say('engagement'),
      blocks: courseBlocks(engagement, named, 'slate', axis, page, say),
    },
    work && { title: say('work'), blocks: workBlocks(work, page, say) },
    weather && {
      title: say('weather'),
      blocks: courseBlocks(weather, skyIn(say), 'inkQuiet', '', page, say),
    },
    circles && { title: say('circles'), blocks: circlesBlocks(circles, page, say) },
    ...observations.map((one) => ({ title: one.name, blocks: observationBlocks(one, page, say) })),
    nods && { title: say('nods'), blocks: datedBlocks(nods, page, say('noneYet')) },
    steps && { title: say('steps'), blocks: datedBlocks(steps, page, say('noneYet')) },
    notes && { title: say('notes'), blocks: datedBlocks(notes, page, say('noNotes')) },
  ].filter((one) => one !== null);
}

import { pieceStatuses } from '../../work/pieceStatus';
import type { FixedWords } from './fixedWords/en';
import { wordsIn } from './fixedWords/wordsIn';
import { dayIn } from './language';
import type { ClassOnPage, ClassPieceOnPage, ClassPresenceOnPage, PageFacts } from './onPage';
import type { Block, PagePart } from './block';
import { countsBlocks, courseBlocks, skyIn, statusNames } from './parts';
import { countsChart } from './render/charts';

type Page = Pick<PageFacts, 'language' | 'levels'>;
type Say = ReturnType<typeof wordsIn>;

function presenceBlocks(presence: ClassPresenceOnPage, { language }: Page, say: Say): Block[] {
  const { there, away, late, leftEarly, excused, lessons } = presence;
  const [first, last] = [lessons[0], lessons.at(-1)];
  if (first === undefined || last === undefined || there + away === 0)
    return [{ kind: 'quiet', text: say('noLesson') }];
  const share = `${Math.round((there / (there + away)) * 100)} %`;
  const sums: [keyof FixedWords, number][] = [
    ['lessonsTaken', lessons.length],
    ['late', late],
    ['leftEarly', leftEarly],
    ['away', away],
    ['excused', excused],
  ];
  const pairs = sums.filter(([, sum]) => sum > 0).map(([name, sum]) => [say(name), sum] as const);
  const axis = say('awayALesson');
  const says = `${axis}: ${pairs.map(([name, sum]) => `${name} ${sum}`).join(', ')}`;
  const days = { first: dayIn(language, first.date), last: dayIn(language, last.date) };
  return [
    { kind: 'strong', text: share },
    ...(away === 0
      ? []
      : ([
          { kind: 'quiet', text: axis },
          { kind: 'picture', svg: countsChart(lessons, 'inkQuiet', { says, ...days }) },
        ] as const)),
    { kind: 'figures', pairs },
  ];
}

function workBlocks(pieces: readonly ClassPieceOnPage[], { language }: Page, say: Say): Block[] {
  if (pieces.length === 0) return [{ kind: 'quiet', text: say('noWork') }];
  const lines = pieces.map(({ title, dueOn, counts }) => {
    const known = pieceStatuses.filter((status) => counts[status] > 0);
    const status = known.map((one) => `${say(statusNames[one])} ${counts[one]}`).join(', ');
    return { title, status, about: dueOn === null ? '' : say('due', { day: dayIn(language, dueOn) }) };
  });
  return [{ kind: 'pieces', lines }];
}

/** All parts of a class as a whole that were chosen, in their order. */
export function classPartsOf(section: ClassOnPage, page: Page): PagePart[] {
  const say = wordsIn(page.language);
  const { presence, counts, engagement, work, weather } = section;
  const named = page.levels.map((name, value) => ({ value, name }));
  const middle = say('middleOfClass');
  const axis = `${middle}, ${say('engagementAxis')}`;
  return [
    presence && { title: say('there'), blocks: presenceBlocks(presence, page, say) },
    ...counts.map((one) => ({ title: one.name, blocks: countsBlocks(one, page, say) })),
    engagement && {
      title: say('engagement'),
      blocks: courseBlocks(engagement, named, 'slate', axis, page, say),
    },
    work && { title: say('work'), blocks: workBlocks(work, page, say) },
    weather && {
      title: say('weather'),
      blocks: courseBlocks(weather, skyIn(say), 'inkQuiet', middle, page, say),
    },
  ].filter((one) => one !== null);
}

import type { Content } from 'pdfmake/interfaces';
import { dayIn, isRightToLeft } from '@slate-path/core/sharing/readerPage/language';
import type { Direction } from '@slate-path/core/formats/visualOrder';
import { wordsIn } from '@slate-path/core/sharing/readerPage/fixedWords/wordsIn';
import { titleOf, type PageFacts, type StudentOnPage } from '@slate-path/core/sharing/readerPage/onPage';
import { classPartsOf } from '@slate-path/core/sharing/readerPage/classParts';
import type { Block, PagePart } from '@slate-path/core/sharing/readerPage/block';
import { partsOf } from '@slate-path/core/sharing/readerPage/parts';
import { heading, rule } from '../../files/pdf/document';
import { picture } from '../../files/pdf/picture';
import { table } from '../../files/pdf/table';
import { words } from '../../files/pdf/text';

/** Pictures keep the size of a page on a screen: bars as wide as a sheet say no more. */
const widestPicture = 310;
/** Sessions stand in so many columns. */
const sessionColumns = 4;

const below: [number, number, number, number] = [0, 2, 0, 2];

/** Sessions down the columns, each with its number. */
function sessions(lines: readonly { day: string; value: string }[], width: number): Content {
  const rows = Math.ceil(lines.length / sessionColumns);
  const columns = Array.from({ length: sessionColumns }, (_, at) => lines.slice(at * rows, (at + 1) * rows));
  return {
    columns: columns.map((own) => ({
      width: width / sessionColumns,
      stack: own.map(({ day, value }) => ({
        columns: [
          words(day, { size: 8.5, tone: 'inkQuiet' }),
          { ...words(value, { size: 8.5, bold: true, align: 'right' }), width: 26 },
        ],
        margin: [0, 0, 18, 1],
      })),
    })),
    margin: [0, 4, 0, 4],
  };
}

/** Of a document: how wide its lines are, in points, and in which direction its own words are read. */
interface Setting {
  width: number;
  direction: Direction;
}

function figures(pairs: readonly (readonly [string, number])[], { direction }: Setting): Content {
  const shown = pairs.map(([name, value]) => [
    words(name, { size: 9.5, tone: 'inkQuiet', direction }),
    words(`\u00A0\u00A0${value}      `, { size: 9.5, bold: true, direction }),
  ]);
  const isLeft = direction === 'ltr';
  const inOrder = isLeft ? shown : shown.map((pair) => pair.toReversed()).reverse();
  return { text: inOrder.flat(), alignment: isLeft ? 'left' : 'right', margin: below };
}

function content(block: Block, setting: Setting): Content {
  const { width, direction } = setting;
  switch (block.kind) {
    case 'quiet':
      return block.text === '' ? [] : words(block.text, { size: 9, tone: 'inkQuiet', width, direction });
    case 'strong':
      return words(block.text, { bold: true, width, direction });
    case 'text':
      return words(block.text, { width, margin: below });
    case 'picture':
      return picture(block.svg, Math.min(width, widestPicture));
    case 'figures':
      return figures(block.pairs, setting);
    case 'pieces':
      return table(
        block.lines.map(({ title, status, about }) => [title, status, about]),
        { size: 9.5, widths: ['*', 'auto', 'auto'], headings: 0 },
      );
    case 'dated':
      return block.lines.map(({ day, text }) => ({
        stack: [words(day, { size: 9, tone: 'inkQuiet', direction }), words(text, { width })],
        margin: below,
      }));
    case 'sessions':
      return sessions(block.lines, width);
  }
}

/** A part stays together, unless it is longer than what goes on a sheet. */
const longPart = 12;

function partsContent(parts: readonly PagePart[], setting: Setting): Content[] {
  return parts.map(({ title, blocks }) => {
    const long = blocks.some(
      (block) => 'lines' in block && block.kind !== 'sessions' && block.lines.length > longPart,
    );
    return {
      stack: [
        rule(setting.width),
        { ...heading(title, 2, setting.direction), margin: [0, 8, 0, 2] },
        ...blocks.map((block) => content(block, setting)),
      ],
      unbreakable: !long,
    };
  });
}

const studentContent = (student: StudentOnPage, facts: PageFacts, setting: Setting) =>
  partsContent(partsOf(student, facts), setting);

/**
 * What a reader is shown, as it stands on paper.
 * @param lead what stands above the parts: sentences that the program made, which are English, and what the teacher says
 * @param width of a line, in points
 */
export function reportContent(
  facts: PageFacts,
  { sentences = '', summary }: { sentences?: string; summary: string },
  width: number,
): Content[] {
  const { language, from, to, students, section } = facts;
  const say = wordsIn(language);
  const withYear = from.slice(0, 4) !== to.slice(0, 4);
  const days = say('upTo', { from: dayIn(language, from, withYear), to: dayIn(language, to, true) });
  const several = students.length > 1;
  const direction = isRightToLeft(language) ? 'rtl' : 'ltr';
  const lead = { size: 11, width, margin: [0, 6, 0, 2] as [number, number, number, number] };
  const classes = section ? [`${say('students')}: ${section.students}`] : (students[0]?.classes ?? []);
  const about = several ? [days] : [...classes, days];
  return [
    heading(titleOf(facts), 1, direction),
    words(about.join(' · '), { size: 9.5, tone: 'inkQuiet', width, margin: below, direction }),
    ...(sentences === '' ? [] : [words(sentences, { ...lead, direction: 'ltr' })]),
    ...(summary === '' ? [] : [words(summary, lead)]),
    ...students.flatMap((student): Content[] =>
      several
        ? [
            { ...heading(student.name, 1, direction), fontSize: 15, margin: [0, 16, 0, 0] },
            ...studentContent(student, facts, { width, direction }),
          ]
        : studentContent(student, facts, { width, direction }),
    ),
    ...(section ? partsContent(classPartsOf(section, facts), { width, direction }) : []),
  ];
}

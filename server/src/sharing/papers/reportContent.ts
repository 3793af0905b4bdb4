import type { Content } from 'pdfmake/interfaces';
import { dayIn } from '@slate-path/core/sharing/readerPage/language';
import { wordsIn } from '@slate-path/core/sharing/readerPage/fixedWords/wordsIn';
import type { PageFacts, StudentOnPage } from '@slate-path/core/sharing/readerPage/onPage';
import { partsOf, type Block } from '@slate-path/core/sharing/readerPage/parts';
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

function content(block: Block, width: number): Content {
  switch (block.kind) {
    case 'quiet':
      return block.text === '' ? [] : words(block.text, { size: 9, tone: 'inkQuiet', width });
    case 'strong':
      return words(block.text, { bold: true, width });
    case 'text':
      return words(block.text, { width, margin: below });
    case 'picture':
      return picture(block.svg, Math.min(width, widestPicture));
    case 'figures':
      return {
        text: block.pairs.flatMap(([name, value]) => [
          words(name, { size: 9.5, tone: 'inkQuiet' }),
          words(`\u00A0\u00A0${value}      `, { size: 9.5, bold: true }),
        ]),
        margin: below,
      };
    case 'pieces':
      return table(
        block.lines.map(({ title, status, about }) => [title, status, about]),
        { size: 9.5, widths: ['*', 'auto', 'auto'], headings: 0 },
      );
    case 'dated':
      return block.lines.map(({ day, text }) => ({
        stack: [words(day, { size: 9, tone: 'inkQuiet' }), words(text, { width })],
        margin: below,
      }));
    case 'sessions':
      return sessions(block.lines, width);
  }
}

/** A part stays together, unless it is longer than what goes on a sheet. */
const longPart = 12;

function studentContent(student: StudentOnPage, facts: PageFacts, width: number): Content[] {
  return partsOf(student, facts).map(({ title, blocks }) => {
    const long = blocks.some(
      (block) => 'lines' in block && block.kind !== 'sessions' && block.lines.length > longPart,
    );
    return {
      stack: [
        rule(width),
        { ...heading(title, 2), margin: [0, 8, 0, 2] },
        ...blocks.map((block) => content(block, width)),
      ],
      unbreakable: !long,
    };
  });
}

/**
 * What a reader is shown, as it stands on paper.
 * @param width of a line, in points
 * @param lead what stands above the parts: a summary, or sentences and a comment
 */
export function reportContent(facts: PageFacts, lead: readonly string[], width: number): Content[] {
  const { language, from, to, students } = facts;
  const say = wordsIn(language);
  const withYear = from.slice(0, 4) !== to.slice(0, 4);
  const days = say('upTo', { from: dayIn(language, from, withYear), to: dayIn(language, to, true) });
  const several = students.length > 1;
  const about = several ? [days] : [...(students[0]?.classes ?? []), days];
  return [
    heading(students.map(({ name }) => name).join(', '), 1),
    words(about.join(' · '), { size: 9.5, tone: 'inkQuiet', width, margin: below }),
    ...lead.filter(Boolean).map((text) => words(text, { size: 11, width, margin: [0, 6, 0, 2] })),
    ...students.flatMap((student): Content[] =>
      several
        ? [
            { ...heading(student.name, 1), fontSize: 15, margin: [0, 16, 0, 0] },
            ...studentContent(student, facts, width),
          ]
        : studentContent(student, facts, width),
    ),
  ];
}

import type { Content } from 'pdfmake/interfaces';
import { countGroups, lookForRates, unitOf } from '@slate-path/core/observation/tallies/countsTable';
import type { LookFor } from '@slate-path/core/records/schema';
import { dayIn } from '@slate-path/core/sharing/readerPage/language';
import { countsSentence } from '@slate-path/core/sharing/readerPage/draft';
import { countsChart } from '@slate-path/core/sharing/readerPage/render/charts';
import { heading, pdfOf, textWidth } from '../../files/pdf/document';
import { picture } from '../../files/pdf/picture';
import { table } from '../../files/pdf/table';
import { words } from '../../files/pdf/text';
import type { CountFileRequest } from './countFileRequest';
import type { CountReading } from './readCounts';

export interface CountsOfClass extends CountReading {
  className: string;
  school: string;
  /** By the school's clock. */
  today: string;
}

const inkOf = { wanted: 'lichen', unwanted: 'clay', neutral: 'inkQuiet' } as const;
const axes = {
  count: 'times a lesson, the class together',
  seconds: 'minutes a lesson, the class together',
  tick: 'students a lesson',
} as const;
const tenths = (value: number) => Math.round(value * 10) / 10;
const quiet = { size: 9, tone: 'inkQuiet' } as const;

/** One look-for: what it comes to in words, lesson by lesson as a chart and in numbers, then student by student. */
function lookForContent(lookFor: LookFor, counts: CountsOfClass, request: CountFileRequest): Content[] {
  const { seen, students } = counts;
  const unit = unitOf(lookFor);
  const byLesson = lookForRates(seen, lookFor.id, 'lesson');
  const lessons = seen.lessons.map(({ id, date }) => ({
    date,
    value: (byLesson.get(id)?.amount ?? 0) / unit,
  }));
  const [first, last] = [lessons[0], lessons.at(-1)];
  if (!first || !last) return [heading(lookFor.name, 2), words('Nobody counted in these days.')];
  const days = { first: dayIn('en', first.date), last: dayIn('en', last.date) };
  const sentence = countsSentence({ name: lookFor.name, measure: lookFor.measure, lessons });
  const byStudent = lookForRates(seen, lookFor.id, 'student');
  const rows = countGroups(seen, students, 'student', request.order).map(({ key, title }) => {
    const rate = byStudent.get(key);
    return [
      title,
      tenths((rate?.amount ?? 0) / unit),
      rate?.perHour == null ? '' : tenths(rate.perHour / unit),
    ];
  });
  const width = textWidth(request);
  return [
    heading(lookFor.name, 2),
    words(sentence, { width }),
    words(axes[lookFor.measure], { ...quiet, margin: [0, 6, 0, 0] }),
    picture(countsChart(lessons, inkOf[lookFor.tone], { says: sentence, ...days }), 310),
    {
      columns: [
        table([['Student', 'In all', 'In an hour observed'], ...rows], {
          tight: true,
          widths: [130, 38, 88],
        }),
        table(
          [
            ['Lesson', 'In all'],
            ...lessons.map(({ date, value }) => [dayIn('en', date, true), tenths(value)]),
          ],
          { tight: true, widths: [110, 40] },
        ),
      ],
      columnGap: 24,
    },
  ];
}

/** Counts of a class over some days as a PDF: one look-for, or each of those counted on a sheet of its own. */
export function countsPaper(counts: CountsOfClass, request: CountFileRequest): Promise<Uint8Array> {
  const { lookForId, from, to, paper } = request;
  const counted = new Set(counts.seen.counts.map((count) => count.lookForId));
  const wanted = counts.lookFors.filter(({ id }) =>
    lookForId === undefined ? counted.has(id) : id === lookForId,
  );
  const title = `Counts of ${counts.className}`;
  const days = `${dayIn('en', from, true)} to ${dayIn('en', to, true)}`;
  const top = [heading(title, 1), words(days, { ...quiet, margin: [0, 2, 0, 0] })];
  const none =
    wanted.length === 0 ? [words('Nothing was counted in these days.', { margin: [0, 12, 0, 0] })] : [];
  const content = wanted.flatMap((lookFor, at): Content[] => [
    ...(at > 0 ? [{ text: '', pageBreak: 'before' as const }] : []),
    ...lookForContent(lookFor, counts, request),
  ]);
  const sheet = { paper, title, school: counts.school, made: dayIn('en', counts.today, true) };
  return pdfOf(sheet, [...top, ...none, ...content]);
}

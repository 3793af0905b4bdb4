import { draftForReader } from '@slate-path/core/sharing/readerPage/draft';
import { dayIn } from '@slate-path/core/sharing/readerPage/language';
import { titleOf, type PageFacts } from '@slate-path/core/sharing/readerPage/onPage';
import type { PageSettings } from '@slate-path/core/sharing/readerPage/settings';
import type { Reports } from '@slate-path/core/sharing/papers/settings';
import type { PaperSize } from '@slate-path/core/sharing/papers/sizes';
import { pdfOf, textWidth, type Part, type Sheet } from '../../files/pdf/document';
import { readFacts, readFactsOfEach, type PageRequest } from '../readerPages/readFacts';
import { reportContent } from './reportContent';

export type PagePaperRequest = Omit<PageRequest, 'until'> & { paper: PaperSize };

export interface ReportsRequest extends Omit<PageRequest, 'settings' | 'until'> {
  reports: Reports;
}

/** Who made it and when stands at the foot of each page. */
function sheetOf(facts: PageFacts, paper: PaperSize, today: string): Sheet {
  const { school, teacher } = facts;
  return { paper, title: titleOf(facts), school, made: `${teacher}, ${dayIn('en', today, true)}` };
}

/** A reader's page as a PDF. */
export async function pagePaper({ paper, ...request }: PagePaperRequest): Promise<Uint8Array> {
  const { facts, today } = readFacts({ ...request, until: '' });
  return pdfOf(sheetOf(facts, paper, today), reportContent(facts, facts, textWidth({ paper })));
}

/** What a report shows of one student, as a page of them alone: the texts of each name nobody else. */
const settingsOf = (reports: Reports, studentId: string): PageSettings => ({
  ...{ studentIds: [studentId], sectionId: null },
  ...{ reader: '', relation: 'other', language: reports.language, from: reports.from, to: reports.to },
  ...{
    presence: reports.presence,
    engagement: reports.engagement,
    work: reports.work,
    weather: reports.weather,
    circles: reports.circles,
    nods: reports.nods,
  },
  lookFors: reports.lookForIds.map((id) => ({ id, comment: '' })),
  ...{ observations: [], noteIds: [], stepIds: [], mayWriteBack: false },
  summary: reports.comments[studentId] ?? '',
});

/** Reports on students, each beginning a sheet, in one PDF. */
export async function reportsPaper({ reports, ...request }: ReportsRequest): Promise<Uint8Array> {
  const { paper } = reports;
  const width = textWidth({ paper });
  const all = reports.studentIds.map((id) => settingsOf(reports, id));
  const read = readFactsOfEach({ ...request, until: '' }, all);
  const [first] = read;
  if (!first) throw new Error('Nobody is reported on.');
  const parts = read.map(({ facts }): Part => {
    const [student] = facts.students;
    const sentences = student && reports.sentences ? draftForReader(student, facts.levels) : '';
    return {
      title: student?.name ?? '',
      content: reportContent(facts, { sentences, summary: facts.summary }, width),
    };
  });
  const days = { from: dayIn('en', reports.from, true), to: dayIn('en', reports.to, true) };
  const title = `Reports, ${days.from} to ${days.to}`;
  return pdfOf({ ...sheetOf(first.facts, paper, first.today), title }, parts);
}

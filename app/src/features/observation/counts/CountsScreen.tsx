import { useLocalSearchParams } from 'expo-router';
import { useMemo, useState } from 'react';
import { addressOf } from '@slate-path/core/api/address';
import { displayName } from '@slate-path/core/people/names';
import type { LookFor } from '@slate-path/core/records/schema';
import type { ClassCounts } from '@slate-path/core/observation/tallies/classCounts';
import {
  countGroups,
  lookForRates,
  unitOf,
  type CountGrouping,
} from '@slate-path/core/observation/tallies/countsTable';
import { countsSentence, type CountsPhrase } from '@slate-path/core/observation/tallies/countsSentence';
import { listedFirst } from '@slate-path/core/observation/tallies/lookFors';
import { rateOf, type KeyedRate } from '@slate-path/core/observation/tallies/rates';
import { Card } from '../../../parts/Card';
import { dayMonth } from '../../../parts/dates';
import { Empty } from '../../../parts/Empty';
import { choicePhrase, Sentence, type SentencePart } from '../../../parts/Sentence';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { termToLookAt } from '@slate-path/core/calendar/sectionTime';
import { listOf } from '@slate-path/core/records/records';
import { usePaperSize } from '../../../files/paperSize';
import { useGiveFile } from '../../../files/useGiveFile';
import { useNameOrder } from '../../../sync/nameOrder';
import { useNow } from '../../../sync/clock';
import { useLastDay } from '../../../sync/sections';
import { useAsking } from '../../../sync/useAsking';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';
import { usualRanges } from '../../attendance/totals/ranges';
import { ClassPage } from '../../people/class/lazyClassPage';
import { CountChart, type ChartBar } from './CountChart';
import { CountComment } from './CountComment';
import { Played, Watched } from '../lazyPanels';
import { CountLines, type CountGroupRate } from './CountLines';

const groupings: { value: CountGrouping; label: string }[] = [
  { value: 'student', label: 'By student' },
  { value: 'lesson', label: 'By lesson' },
  { value: 'week', label: 'By week' },
];
const groupAxes: Record<CountGrouping, string> = { student: 'Student', lesson: 'Lesson', week: 'Week from' };
const tones = { wanted: 'lichen', unwanted: 'clay', neutral: 'inkQuiet' } as const;

/** What the numbers count, with the unit. */
function axisOf({ name, measure }: LookFor, per: 'hour' | 'sum'): string {
  const unit = measure === 'seconds' ? 'minutes' : measure === 'tick' ? 'lessons ticked' : 'times';
  return per === 'hour' ? `${name}: ${unit} per observed hour of a student` : `${name}: ${unit} in all`;
}

const perHourOrSum = [
  { value: 'hour', label: 'per observed hour' },
  { value: 'sum', label: 'sums' },
] as const;
const pictures = [
  { value: 'chart', label: 'chart' },
  { value: 'table', label: 'table' },
] as const;

const noCounts: ClassCounts = { lessons: [], counts: [], exposures: [] };

/** What was seen in a class over weeks, as sums and as rates per observed hour. */
export function CountsScreen() {
  const { sectionId } = useLocalSearchParams<{ sectionId: string }>();
  const now = useNow();
  const order = useNameOrder();
  const current = useRecords((state) => state.current);
  const terms = listOf(current, 'term').sort((a, b) => (a.startsOn < b.startsOn ? 1 : -1));
  const ranges = usualRanges(now.date, terms);
  const lastDay = useLastDay(sectionId);
  const [chosenRange, setRangeKey] = useState<string | null>(null);
  const rangeKey = chosenRange ?? termToLookAt(terms, lastDay)?.id ?? now.date.slice(0, 7);
  const span = ranges.find(({ key }) => key === rangeKey) ?? ranges[0] ?? { from: now.date, to: now.date };
  const { state, answer } = useView(addressOf('counts', { sectionId, from: span.from, to: span.to }));
  const asking = useAsking('for the counts');
  const [grouping, setGrouping] = useState<CountGrouping>('student');
  const [studentId, setStudentId] = useState<string | null>(null);
  const [per, setPer] = useState<'hour' | 'sum'>('hour');
  const [asTable, setAsTable] = useState<'chart' | 'table'>('chart');
  const [lookForId, setLookForId] = useState('');
  const seen = answer ?? noCounts;
  const counted = useMemo(() => new Set(seen.counts.map((count) => count.lookForId)), [seen]);
  const lookFors = Object.values(current.lookFor)
    .filter(({ id }) => counted.has(id))
    .sort(listedFirst);
  const lookFor = lookFors.find(({ id }) => id === lookForId) ?? lookFors[0];
  const ofOne = useMemo(
    () =>
      studentId === null
        ? seen
        : {
            lessons: seen.lessons,
            counts: seen.counts.filter((count) => count.studentId === studentId),
            exposures: seen.exposures.filter((exposure) => exposure.studentId === studentId),
          },
    [seen, studentId],
  );
  const students = Object.values(current.student);
  const rates = lookFor ? lookForRates(ofOne, lookFor.id, grouping) : new Map<string, KeyedRate>();
  const groups: CountGroupRate[] = countGroups(ofOne, students, grouping, order).map(({ key, title }) => {
    const rate = rates.get(key) ?? { amount: 0, lessons: 0, minutes: 0, perHour: null };
    const label =
      grouping === 'student'
        ? title
        : `${dayMonth(title.slice(0, 10))}${grouping === 'lesson' ? title.slice(10) : ''}`;
    return { ...rate, key, label };
  });
  const scaled = (value: number | null) => (value === null || !lookFor ? value : value / unitOf(lookFor));
  const bars: ChartBar[] = groups.map(({ key, label, amount, perHour, minutes }) => ({
    key,
    label: label.length > 17 ? `${label.slice(0, 16)}…` : label,
    value: scaled(per === 'hour' ? perHour : minutes === 0 && amount === 0 ? null : amount),
  }));
  const whole = lookFor
    ? rateOf(
        ofOne.counts.filter((count) => count.lookForId === lookFor.id && count.studentId !== null),
        ofOne.exposures,
      )
    : null;
  const student = studentId === null ? undefined : current.student[studentId];
  const { give, sheet } = useGiveFile();
  const paper = usePaperSize();
  const file = (format: 'csv' | 'xlsx' | 'pdf') =>
    addressOf('countsFile', {
      sectionId,
      from: span.from,
      to: span.to,
      format,
      by: grouping,
      order,
      paper,
      lookForId: lookFor?.id,
    });
  const played = (
    <>
      <Watched sectionId={sectionId} />
      <Played sectionId={sectionId} from={span.from} to={span.to} />
    </>
  );
  if (state !== 'loading' && !lookFor)
    return (
      <ClassPage sectionId={sectionId} page="Counts">
        <Empty title="Nothing was tallied in these weeks">
          What you tally in a lesson adds up here: by student, by lesson and by week, with how much was seen
          in an observed hour.
        </Empty>
        {played}
      </ClassPage>
    );
  const phrases: Record<CountsPhrase, SentencePart & object> = {
    look_for: choicePhrase({
      name: 'choose the look-for',
      value: lookFor?.id ?? '',
      options: lookFors.map(({ id, name }) => ({ value: id, label: name })),
      onChange: setLookForId,
    }),
    span: choicePhrase({
      name: 'choose the weeks',
      value: rangeKey,
      options: ranges.map(({ key, label }) => ({ value: key, label })),
      onChange: setRangeKey,
    }),
    student: {
      words: student ? displayName(student) : '',
      name: 'show the whole class',
      onTap: () => {
        setStudentId(null);
        setGrouping('student');
      },
    },
    grouping: choicePhrase({
      name: 'choose what is put together',
      value: grouping,
      options: groupings,
      onChange: (next) => {
        setGrouping(next);
        if (next === 'student') setStudentId(null);
      },
    }),
    numbers: choicePhrase({
      name: 'choose the numbers',
      value: per,
      options: perHourOrSum,
      onChange: setPer,
    }),
    picture: choicePhrase({
      name: 'choose the picture',
      value: asTable,
      options: pictures,
      onChange: setAsTable,
    }),
  };
  const subject = student ? displayName(student) : 'the class';
  const result = lookFor ? (
    <Card style={{ gap: space(3) }}>
      {asTable === 'chart' ? (
        <CountChart
          bars={bars}
          axis={axisOf(lookFor, per)}
          groupAxis={groupAxes[grouping]}
          tone={tones[lookFor.tone]}
          name={`${axisOf(lookFor, per)}, ${subject}. ${bars.map(({ label, value }) => `${label} ${value === null ? 'not observed' : Math.round(value * 10) / 10}`).join(', ')}`}
        />
      ) : (
        <CountLines
          groups={groups}
          measure={lookFor.measure}
          title={groupAxes[grouping]}
          onOpen={
            grouping === 'student'
              ? (key) => {
                  setStudentId(key);
                  setGrouping('week');
                }
              : null
          }
        />
      )}
      <CountComment
        key={`${lookFor.id} ${studentId ?? ''}`}
        sectionId={sectionId}
        lookForId={lookFor.id}
        studentId={studentId}
      />
    </Card>
  ) : (
    <Words tone="inkQuiet">{asking}</Words>
  );
  const sentence = lookFor
    ? countsSentence({
        lookFor,
        span: phrases.span.words,
        student: student ? displayName(student) : null,
        amount: whole?.amount ?? 0,
        perHour: whole?.perHour ?? null,
        lessons: seen.lessons.length,
        grouping: phrases.grouping.words,
        numbers: phrases.numbers.words,
        picture: phrases.picture.words,
      })
    : [];
  return (
    <ClassPage
      sectionId={sectionId}
      page="Counts"
      more={[
        {
          title: 'These counts as a file',
          items: [
            {
              label: 'Save the counts as CSV',
              onPress: () => {
                give(file('csv'));
              },
            },
            {
              label: 'Save the counts as XLSX',
              onPress: () => {
                give(file('xlsx'));
              },
            },
            {
              label: 'Save as PDF',
              note: `${lookFor?.name ?? ''}, with its chart and every lesson`,
              onPress: () => {
                give(file('pdf'));
              },
            },
          ],
        },
      ]}
    >
      <Sentence parts={sentence.map((part) => (typeof part === 'string' ? part : phrases[part.to]))} />
      {result}
      {played}
      {sheet}
    </ClassPage>
  );
}

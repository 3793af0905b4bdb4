import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { attendanceSentence } from '@slate-path/core/attendance/attendanceSentence';
import { isDate } from '@slate-path/core/calendar/isDate';
import { addressOf } from '@slate-path/core/api/address';
import { many } from '@slate-path/core/words/many';
import { termToLookAt } from '@slate-path/core/calendar/sectionTime';
import { listOf } from '@slate-path/core/records/records';
import { dayMonth } from '../../../parts/dates';
import { Empty } from '../../../parts/Empty';
import { DateField } from '../../../parts/DateField';
import { Page } from '../../../parts/Page';
import { choicePhrase, Sentence, type SentencePart } from '../../../parts/Sentence';
import { Words } from '../../../parts/Words';
import { useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { readDate } from '../../../forms/readDate';
import { useNameOrder } from '../../../sync/nameOrder';
import { useNow } from '../../../sync/clock';
import { useSections, useLastDay } from '../../../sync/sections';
import { useAsking } from '../../../sync/useAsking';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';
import { ClassPage } from '../../people/class/lazyClassPage';
import { useAttendanceView } from '../attendanceViews';
import { untakenLessons, useAllLessons } from '../lesson/lessons';
import { sortings, totalsLines, type Grouping, type Sorting } from './lines';
import { PointsSheet } from './PointsSheet';
import { usualRanges } from './ranges';
import type { Span } from './rollFileAddress';
import { TotalsList, TotalsTable } from './TotalsList';
import { useRollFiles } from './useRollFiles';

const groupings: { value: Grouping; label: string }[] = [
  { value: 'student', label: 'By student' },
  { value: 'cohort', label: 'By cohort' },
  { value: 'class', label: 'By class' },
];
const orders: { value: Sorting; label: string }[] = [
  { value: 'name', label: 'in the order of names' },
  { value: 'percent', label: 'least there first' },
  { value: 'away', label: 'most often away first' },
  { value: 'late', label: 'most often late first' },
  { value: 'minutesMissed', label: 'most minutes missed first' },
];
/** The table on a wide screen can be put in the order of any of its columns. */
const ordersWith = (sorting: Sorting) =>
  orders.some(({ value }) => value === sorting)
    ? orders
    : [...orders, { value: sorting, label: `by ${sortings[sorting].label.toLowerCase()}` }];
const other = 'other';

/** First and last day, typed; they hold as soon as both can be read and are in order. */
function OtherRange({ span, onChange }: { span: Span; onChange: (span: Span) => void }) {
  const [from, setFrom] = useState(span.from);
  const [to, setTo] = useState(span.to);
  const [error, setError] = useState<string>();
  const take = (nextFrom: string, nextTo: string) => {
    const read = { from: readDate(nextFrom), to: readDate(nextTo) };
    const good = isDate(read.from) && isDate(read.to);
    setError(
      good ? (read.from > read.to ? 'It ends before it begins' : undefined) : 'A date looks like 2026-11-23',
    );
    if (good && read.from <= read.to) onChange(read);
  };
  return (
    <View style={{ flexDirection: 'row', gap: space(3) }}>
      <DateField
        label="First day"
        value={from}
        width={160}
        error={error}
        onChange={(next) => {
          setFrom(next);
          take(next, to);
        }}
      />
      <DateField
        label="Last day"
        value={to}
        width={160}
        onChange={(next) => {
          setTo(next);
          take(from, next);
        }}
      />
    </View>
  );
}

/** What some weeks add up to: any class, any range, sorted by any sum. */
export function TotalsScreen() {
  const params = useLocalSearchParams<{ sectionId?: string }>();
  const wide = useWide();
  const now = useNow();
  const current = useRecords((state) => state.current);
  const [sectionId, setSectionId] = useState(params.sectionId ?? '');
  const terms = listOf(current, 'term').sort((a, b) => (a.startsOn < b.startsOn ? 1 : -1));
  const ranges = usualRanges(now.date, terms);
  const lastDay = useLastDay(sectionId);
  const [chosenRange, setRangeKey] = useState<string | null>(null);
  const rangeKey = chosenRange ?? termToLookAt(terms, lastDay)?.id ?? now.date.slice(0, 7);
  const [typed, setTyped] = useState<Span | null>(null);
  const [grouping, setGrouping] = useState<Grouping>('student');
  const [sorting, setSorting] = useState<Sorting>('name');
  const order = useNameOrder();
  const [making, setMaking] = useState(false);
  const named = ranges.find(({ key }) => key === rangeKey) ?? ranges[1];
  const span = (rangeKey === other ? typed : null) ?? named ?? { from: now.date, to: now.date };
  const { state, answer } = useView(addressOf('totals', { from: span.from, to: span.to }));
  const asking = useAsking('for the totals');
  const rows = answer?.rows;
  const lines = useMemo(
    () => (rows ? totalsLines(rows, current, { sectionId, grouping, sorting, order }) : []),
    [rows, current, sectionId, grouping, sorting, order],
  );
  const sections = useSections();
  const section = current.section[sectionId];
  const router = useRouter();
  const untaken = untakenLessons(useAllLessons(), now).filter(
    (lesson) => lesson.sectionId === sectionId && lesson.date >= span.from && lesson.date <= span.to,
  ).length;
  const catchUp = () => {
    router.push({ pathname: '/classes/[sectionId]/days', params: { sectionId } });
  };
  const taken = Math.max(0, ...lines.map(({ totals }) => totals.taken));
  const note = `${dayMonth(span.from)} to ${dayMonth(span.to)} ${span.to.slice(0, 4)}${
    section && wide && grouping === 'student' ? `, up to ${many(taken, 'lesson')} taken` : ''
  }`;
  const view = useAttendanceView(sectionId, 'totals', lastDay.slice(0, 7));
  const { group, sheet } = useRollFiles(sectionId, span, order);
  const phrases = {
    span: choicePhrase({
      name: 'choose the days',
      value: rangeKey,
      options: [
        ...ranges.map(({ key, label }) => ({ value: key, label })),
        { value: other, label: 'Other days' },
      ],
      onChange: setRangeKey,
    }),
    shown: view,
    untaken: { name: 'catch up', onTap: catchUp },
  };
  const said = attendanceSentence({
    span: phrases.span.words,
    shown: section ? phrases.shown.words : null,
    untaken: section ? untaken : 0,
    totals: state === 'loading' ? null : lines.map(({ totals }) => totals),
  });
  const sentence: SentencePart[] = [
    ...said.map((part) => (typeof part === 'string' ? part : { ...phrases[part.to], words: part.words })),
    ' ',
    choicePhrase({
      name: 'choose what is a line',
      value: grouping,
      options: groupings,
      onChange: setGrouping,
    }),
    ...(section
      ? []
      : [
          ' in ',
          choicePhrase({
            name: 'choose the class',
            value: sectionId,
            options: [
              { value: '', label: 'all classes' },
              ...sections.map(({ id, name }) => ({ value: id, label: name })),
            ],
            onChange: setSectionId,
          }),
        ]),
    ', ',
    choicePhrase({
      name: 'choose the order',
      value: sorting,
      options: ordersWith(sorting),
      onChange: setSorting,
    }),
    '.',
  ];
  const points = {
    label: 'For the grade book',
    disabled: lines.length === 0,
    onPress: () => {
      setMaking(true);
    },
  };
  // On a phone the list has the room at the foot.
  const main = wide && grouping === 'student' ? points : undefined;
  const forPoints = {
    title: 'Points',
    items: [
      !wide && grouping === 'student' && lines.length > 0
        ? { ...points, note: 'Attendance as a column of points, to be copied' }
        : null,
    ],
  };
  const content = (
    <>
      <Sentence parts={sentence} />
      {rangeKey === other ? <OtherRange span={span} onChange={setTyped} /> : null}
      {state === 'loading' ? (
        <Words tone="inkQuiet">{asking}</Words>
      ) : lines.length === 0 ? (
        <Empty title="Nothing to add up">
          There are no lessons of this class in these days. Choose another range, or give the class its times
          at the desk.
        </Empty>
      ) : wide ? (
        <TotalsTable lines={lines} sorting={sorting} onSort={setSorting} />
      ) : (
        <TotalsList lines={lines} />
      )}
      {making ? (
        <PointsSheet
          lines={lines}
          title={note}
          onClose={() => {
            setMaking(false);
          }}
        />
      ) : null}
      {sheet}
    </>
  );
  return section ? (
    <ClassPage
      sectionId={sectionId}
      page="Attendance"
      tab="Totals"
      note={note}
      main={main}
      more={[forPoints, group]}
      full
    >
      {content}
    </ClassPage>
  ) : (
    <Page
      title="Totals"
      note={note}
      back={{ to: '/people', name: 'All classes' }}
      main={main}
      more={[forPoints]}
      full
    >
      {content}
    </Page>
  );
}

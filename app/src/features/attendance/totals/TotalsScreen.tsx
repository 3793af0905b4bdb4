import { useLocalSearchParams } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { isDate } from '@slate-path/core/calendar/isDate';
import { addressOf } from '@slate-path/core/api/address';
import { many } from '@slate-path/core/words/many';
import { termToLookAt } from '@slate-path/core/calendar/sectionTime';
import { listOf } from '@slate-path/core/records/records';
import { Action } from '../../../parts/Action';
import { Choice } from '../../../parts/Choice';
import { Choices } from '../../../parts/Choices';
import { dayMonth } from '../../../parts/dates';
import { Empty } from '../../../parts/Empty';
import { DateField } from '../../../parts/DateField';
import { Page } from '../../../parts/Page';
import { Words } from '../../../parts/Words';
import { useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { readDate } from '../../../forms/readDate';
import { chooseNameOrder, nameOrders, useNameOrder } from '../../../sync/nameOrder';
import { useNow } from '../../../sync/clock';
import { useSectionNames, useSections, useLastDay } from '../../../sync/sections';
import { useAsking } from '../../../sync/useAsking';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';
import { sortings, totalsLines, type Grouping, type Sorting } from './lines';
import { PointsSheet } from './PointsSheet';
import { usualRanges } from './ranges';
import { RollFiles } from './RollFiles';
import type { Span } from './rollFileAddress';
import { TotalsList, TotalsTable } from './TotalsList';

const groupings: { value: Grouping; label: string }[] = [
  { value: 'student', label: 'By student' },
  { value: 'cohort', label: 'By cohort' },
  { value: 'class', label: 'By class' },
];
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
  const names = useSectionNames();
  const lastDay = useLastDay(sectionId);
  const [chosenRange, setRangeKey] = useState<string | null>(null);
  const rangeKey = chosenRange ?? termToLookAt(terms, lastDay)?.id ?? now.date.slice(0, 7);
  const [typed, setTyped] = useState<Span | null>(null);
  const [grouping, setGrouping] = useState<Grouping>('student');
  const [sorting, setSorting] = useState<Sorting>('name');
  const order = useNameOrder();
  const [points, setPoints] = useState(false);
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
  const taken = Math.max(0, ...lines.map(({ totals }) => totals.taken));
  const note = `${dayMonth(span.from)} to ${dayMonth(span.to)} ${span.to.slice(0, 4)}${
    section && grouping === 'student' ? `, up to ${many(taken, 'lesson')} taken` : ''
  }`;
  const groupWords = groupings.find(({ value }) => value === grouping)?.label.toLowerCase() ?? '';
  const sortWords = sorting === 'name' ? '' : `sorted by ${sortings[sorting].label.toLowerCase()}`;
  const choices = (
    <>
      <Choice
        name="Class"
        value={sectionId}
        options={[
          { value: '', label: 'All classes' },
          ...sections.map(({ id, name }) => ({ value: id, label: name })),
        ]}
        onChange={setSectionId}
      />
      <Choice
        name="Range"
        value={rangeKey}
        options={[
          ...ranges.map(({ key, label }) => ({ value: key, label })),
          { value: other, label: 'Other days' },
        ]}
        onChange={setRangeKey}
      />
      {rangeKey === other ? <OtherRange span={span} onChange={setTyped} /> : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: space(6), rowGap: space(2) }}>
        <Choice name="Grouped" value={grouping} options={groupings} onChange={setGrouping} />
        {grouping === 'student' ? (
          <Choice name="Order of names" value={order} options={nameOrders} onChange={chooseNameOrder} />
        ) : null}
      </View>
      {wide ? null : (
        <Choice
          name="Sorted by"
          value={sorting}
          options={(['name', 'percent', 'away', 'late', 'minutesMissed'] as const).map((value) => ({
            value,
            label: sortings[value].label,
          }))}
          onChange={setSorting}
        />
      )}
    </>
  );
  return (
    <Page
      title={section ? `Totals, ${names[sectionId] ?? section.name}` : 'Totals, all classes'}
      note={note}
      back={
        section
          ? { to: { pathname: '/classes/[sectionId]', params: { sectionId } }, name: 'Back to the class' }
          : { to: '/people', name: 'All classes' }
      }
      full
    >
      {wide ? (
        choices
      ) : (
        <Choices
          summary={[named?.label ?? 'Other days', groupWords, sortWords].filter(Boolean).join(', ')}
          name="Change class, days and order"
          title="What is added up"
        >
          {choices}
        </Choices>
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        {grouping === 'student' ? (
          <Action
            label="For the grade book"
            kind="main"
            disabled={lines.length === 0}
            onPress={() => {
              setPoints(true);
            }}
          />
        ) : null}
        {section ? <RollFiles sectionId={sectionId} span={span} order={order} /> : null}
      </View>
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
      {points ? (
        <PointsSheet
          lines={lines}
          title={note}
          onClose={() => {
            setPoints(false);
          }}
        />
      ) : null}
    </Page>
  );
}

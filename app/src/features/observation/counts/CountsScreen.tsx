import Download from 'lucide-react-native/icons/download';
import { useLocalSearchParams } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
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
import { durationWords } from '@slate-path/core/observation/tallies/duration';
import { many } from '@slate-path/core/words/many';
import { listedFirst } from '@slate-path/core/observation/tallies/lookFors';
import { rateOf, type KeyedRate } from '@slate-path/core/observation/tallies/rates';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { Choice } from '../../../parts/Choice';
import { Choices } from '../../../parts/Choices';
import { dayMonth } from '../../../parts/dates';
import { Empty } from '../../../parts/Empty';
import { Page } from '../../../parts/Page';
import { Words } from '../../../parts/Words';
import { useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { termToLookAt } from '@slate-path/core/calendar/sectionTime';
import { listOf } from '@slate-path/core/records/records';
import { FileAction } from '../../../files/FileAction';
import { useNameOrder } from '../../../sync/nameOrder';
import { useNow } from '../../../sync/clock';
import { useSectionName, useLastDay } from '../../../sync/sections';
import { useAsking } from '../../../sync/useAsking';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';
import { usualRanges } from '../../attendance/totals/ranges';
import { CountChart, type ChartBar } from './CountChart';
import { CountComment } from './CountComment';
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

const amountWords = ({ measure }: LookFor, amount: number) =>
  measure === 'seconds' ? durationWords(amount) : many(amount, 'time');
const rateWords = ({ measure }: LookFor, perHour: number) =>
  measure === 'seconds' ? durationWords(perHour) : String(Math.round(perHour * 10) / 10);

const noCounts: ClassCounts = { lessons: [], counts: [], exposures: [] };

/** What was seen in a class over weeks, as sums and as rates per observed hour. */
export function CountsScreen() {
  const { sectionId } = useLocalSearchParams<{ sectionId: string }>();
  const wide = useWide();
  const now = useNow();
  const order = useNameOrder();
  const current = useRecords((state) => state.current);
  const terms = listOf(current, 'term').sort((a, b) => (a.startsOn < b.startsOn ? 1 : -1));
  const ranges = usualRanges(now.date, terms);
  const className = useSectionName(sectionId);
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
  const file = (format: 'csv' | 'xlsx') =>
    addressOf('countsFile', { sectionId, from: span.from, to: span.to, format, by: grouping, order });
  const back = {
    to: { pathname: '/classes/[sectionId]' as const, params: { sectionId } },
    name: `Back to ${className || 'the class'}`,
  };
  const tools = (
    <View style={{ flexDirection: 'row', gap: space(2) }}>
      <FileAction label="CSV" name="Save the counts as CSV" icon={Download} address={file('csv')} />
      <FileAction label="XLSX" name="Save the counts as XLSX" icon={Download} address={file('xlsx')} />
    </View>
  );
  if (state !== 'loading' && !lookFor)
    return (
      <Page title={`Counts, ${className}`} back={back}>
        <Empty title="Nothing was tallied in these weeks">
          What you tally in a lesson adds up here: by student, by lesson and by week, with how much was seen
          in an observed hour.
        </Empty>
      </Page>
    );
  const choices = (
    <>
      <Choice
        name="Weeks"
        value={rangeKey}
        options={ranges.map(({ key, label }) => ({ value: key, label }))}
        onChange={setRangeKey}
      />
      <Choice
        name="Look-for"
        value={lookFor?.id ?? ''}
        options={lookFors.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={setLookForId}
      />
      <Choice
        name="Put together"
        value={grouping}
        options={groupings}
        onChange={(next) => {
          setGrouping(next);
          if (next === 'student') setStudentId(null);
        }}
      />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        <Choice
          name="Numbers"
          value={per}
          options={[
            { value: 'hour', label: 'Per observed hour' },
            { value: 'sum', label: 'Sums' },
          ]}
          onChange={setPer}
        />
        <Choice
          name="Shown as"
          value={asTable}
          options={[
            { value: 'chart', label: 'Chart' },
            { value: 'table', label: 'Table' },
          ]}
          onChange={setAsTable}
        />
      </View>
    </>
  );
  const subject = student ? displayName(student) : 'the class';
  const result = lookFor ? (
    <Card style={{ gap: space(3) }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
        <View style={{ flex: 1 }}>
          <Words size="large" serif heading={2}>
            {student ? `${lookFor.name}, ${displayName(student)}` : lookFor.name}
          </Words>
          <Words tone="inkQuiet" figures>
            {`${amountWords(lookFor, whole?.amount ?? 0)} in ${many(seen.lessons.length, 'observed lesson')}${
              whole?.perHour === null || whole === null
                ? ''
                : `, ${rateWords(lookFor, whole.perHour)} an hour of a student`
            }`}
          </Words>
        </View>
        {student ? (
          <Action
            label="Whole class"
            onPress={() => {
              setStudentId(null);
              setGrouping('student');
            }}
          />
        ) : null}
      </View>
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
  return (
    <Page
      title={`Counts, ${className}`}
      note={`${dayMonth(span.from)} to ${dayMonth(span.to)}`}
      back={back}
      tools={tools}
    >
      {wide ? (
        <View style={{ flexDirection: 'row', gap: space(5), alignItems: 'flex-start' }}>
          <View style={{ flex: 2, gap: space(4) }}>{choices}</View>
          <View style={{ flex: 4 }}>{result}</View>
        </View>
      ) : (
        <>
          <Choices
            summary={`${groupings.find(({ value }) => value === grouping)?.label ?? ''}, ${per === 'hour' ? 'per observed hour' : 'sums'}`}
            name="Change what is shown"
            title="What is shown"
          >
            {choices}
          </Choices>
          {result}
        </>
      )}
    </Page>
  );
}

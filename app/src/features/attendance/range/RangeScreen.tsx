import { useLocalSearchParams } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { isDate } from '@slate-path/core/calendar/isDate';
import { addressOf } from '@slate-path/core/api/address';
import { many } from '@slate-path/core/words/many';
import { byName, displayName } from '@slate-path/core/people/names';
import { listOf } from '@slate-path/core/records/records';
import type { Standing, Student } from '@slate-path/core/records/schema';
import { plannedKey, type PlannedMark } from '@slate-path/core/attendance/roll/planMark';
import { planRange, type RangePart, type RangeStep } from '@slate-path/core/attendance/roll/planRange';
import { standingFor } from '@slate-path/core/attendance/roll/standings';
import { isEnrolledOn } from '@slate-path/core/attendance/roll/totals';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { Choice } from '../../../parts/Choice';
import { DateField } from '../../../parts/DateField';
import { Field } from '../../../parts/Field';
import { Page } from '../../../parts/Page';
import { TickRow } from '../../../parts/TickRow';
import { Words } from '../../../parts/Words';
import { useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { readDate } from '../../../forms/readDate';
import { rollBook, useAllLessons } from '../lesson/lessons';
import { readTime } from '@slate-path/core/calendar/readTime';
import { PlannedMarks } from '../lesson/lazyPlannedMarks';
import { useNameOrder } from '../../../sync/nameOrder';
import { useNow } from '../../../sync/clock';
import { TakeBack } from '../../../sync/TakeBack';
import { useAsking } from '../../../sync/useAsking';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';
import { recordRange, rangeHistory } from './recordRange';

const steps: { value: RangeStep; label: string }[] = [
  { value: 'daily', label: 'Every day' },
  { value: 'weekly', label: 'Every week' },
  { value: 'monthly', label: 'Every month' },
];
const parts = [
  { value: 'day', label: 'Whole days' },
  { value: 'morning', label: 'Mornings' },
  { value: 'afternoon', label: 'Afternoons' },
  { value: 'times', label: 'From, to' },
] as const;
type PartChoice = (typeof parts)[number]['value'];

/** Who can be meant: one student, or the students of a class. */
function useCandidates(
  studentId: string | undefined,
  sectionId: string | undefined,
  date: string,
): Student[] {
  const order = useNameOrder();
  const current = useRecords((state) => state.current);
  return useMemo(() => {
    const one = studentId ? current.student[studentId] : undefined;
    if (one) return [one];
    return listOf(current, 'enrolment')
      .filter((e) => e.sectionId === sectionId && isEnrolledOn(e, date))
      .flatMap((e) => current.student[e.studentId] ?? [])
      .filter((student) => !student.removed)
      .sort(byName(order));
  }, [order, current, studentId, sectionId, date]);
}

/** An absence (or a time set aside, or there) over many days, with every mark shown before it is made. */
export function RangeScreen() {
  const { studentId, sectionId } = useLocalSearchParams<{ studentId?: string; sectionId?: string }>();
  const now = useNow();
  const wide = useWide();
  const current = useRecords((state) => state.current);
  const lessons = useAllLessons();
  const candidates = useCandidates(studentId, sectionId, now.date);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set(studentId ? [studentId] : []));
  const [from, setFrom] = useState(now.date);
  const [to, setTo] = useState(now.date);
  const [step, setStep] = useState<RangeStep>('daily');
  const [part, setPart] = useState<PartChoice>('day');
  const [times, setTimes] = useState({ from: '', to: '' });
  const kinds = listOf(current, 'standing')
    .filter(({ countsAs }) => countsAs === 'away' || countsAs === 'not_counted' || countsAs === 'here')
    .sort((a, b) => a.position - b.position);
  const [kindId, setKindId] = useState('');
  const kind = kinds.find(({ id }) => id === kindId) ?? standingFor(kinds, 'away', true) ?? kinds[0];
  const [decided, setDecided] = useState<Record<string, boolean>>({});
  const [told, setTold] = useState('');
  const span = { from: readDate(from), to: readDate(to) };
  const read = isDate(span.from) && isDate(span.to);
  const inOrder =
    read && span.from <= span.to && Date.parse(span.to) - Date.parse(span.from) < 400 * 86_400_000;
  const shown = inOrder ? span : { from: now.date, to: now.date };
  const { state } = useView(addressOf('lessons', { from: shown.from, to: shown.to }));
  const asking = useAsking('what is recorded in these days');
  const wantedPart = partOf(part, times);
  const planned = (standing: Standing, wanted: RangePart) => {
    const standings = listOf(current, 'standing');
    const request = {
      ...span,
      studentIds: [...chosen],
      step,
      part: wanted,
      standing,
      partly: { late: standingFor(standings, 'late'), leftEarly: standingFor(standings, 'left_early') },
    };
    const own = sectionId ? lessons.filter((l) => l.sectionId === sectionId) : lessons;
    return planRange(request, own, listOf(current, 'enrolment'), rollBook(current));
  };
  const items = inOrder && kind && wantedPart ? planned(kind, wantedPart) : [];
  const isIn = (item: PlannedMark) =>
    item.fate !== 'same' && (decided[plannedKey(item)] ?? !item.before?.standingId);
  const going = items.filter(isIn);
  const back = studentId
    ? { to: { pathname: '/students/[studentId]' as const, params: { studentId } }, name: 'Back to the path' }
    : {
        to: { pathname: '/classes/[sectionId]' as const, params: { sectionId: sectionId ?? '' } },
        name: 'Back to the class',
      };
  const who = studentId
    ? displayName(candidates[0] ?? { givenName: '', familyName: '', called: '' })
    : (current.section[sectionId ?? '']?.name ?? '');
  const record = () => {
    const marks = recordRange(going, kind);
    setTold(`${marks} ${marks === 1 ? 'mark is' : 'marks are'} recorded.`);
    setDecided({});
  };
  const form = (
    <Card style={{ gap: space(3) }}>
      <View style={{ flexDirection: 'row', gap: space(3) }}>
        <DateField
          label="First day"
          value={from}
          onChange={setFrom}
          width={150}
          error={isDate(span.from) ? undefined : 'A date looks like 2026-11-23'}
        />
        <DateField
          label="Last day"
          value={to}
          onChange={setTo}
          width={150}
          error={read && !inOrder ? 'Up to a year after the first' : undefined}
        />
      </View>
      <Choice name="How often" value={step} options={steps} onChange={setStep} />
      <Choice name="Part of the day" value={part} options={parts} onChange={setPart} />
      {part === 'times' ? (
        <View style={{ flexDirection: 'row', gap: space(3) }}>
          <Field
            label="From"
            value={times.from}
            width={110}
            placeholder="10:00"
            onChange={(value) => {
              setTimes({ ...times, from: value });
            }}
          />
          <Field
            label="To"
            value={times.to}
            width={110}
            placeholder="12:30"
            onChange={(value) => {
              setTimes({ ...times, to: value });
            }}
          />
        </View>
      ) : null}
      <KindChoice kinds={kinds} kind={kind} onChange={setKindId} />
      {studentId ? null : <Students candidates={candidates} chosen={chosen} onChange={setChosen} />}
    </Card>
  );
  const list = (
    <View style={{ gap: space(3) }}>
      {told ? (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(3), flexWrap: 'wrap' }}>
          <Words bold live>
            {told}
          </Words>
          <TakeBack about={rangeHistory} />
        </View>
      ) : null}
      {state === 'loading' ? <Words tone="inkQuiet">{asking}</Words> : null}
      <PlannedMarks
        items={items}
        none={
          chosen.size === 0
            ? 'Choose the students.'
            : 'There are no lessons in these days: days off and lessons set aside are skipped.'
        }
        isIn={isIn}
        onDecide={(item, decision) => {
          setDecided({ ...decided, [plannedKey(item)]: decision });
        }}
      />
      <View style={{ alignItems: 'flex-start' }}>
        <Action
          label={`Record ${many(going.length, 'mark')}`}
          kind="main"
          disabled={going.length === 0}
          onPress={record}
        />
      </View>
    </View>
  );
  return (
    <Page
      title={who ? `A range of days, ${who}` : 'A range of days'}
      tab={studentId ? 'A range of days, one student' : undefined}
      note="Nothing is recorded before you have seen it."
      back={back}
    >
      {wide ? (
        <View style={{ flexDirection: 'row', gap: space(5), alignItems: 'flex-start' }}>
          <View style={{ flex: 2 }}>{form}</View>
          <View style={{ flex: 3 }}>{list}</View>
        </View>
      ) : (
        <>
          {form}
          {list}
        </>
      )}
    </Page>
  );
}

function partOf(part: PartChoice, times: { from: string; to: string }): RangePart | null {
  if (part !== 'times') return part;
  const [from, to] = [readTime(times.from), readTime(times.to)];
  return from && to && from < to ? { from, to } : null;
}

function KindChoice({
  kinds,
  kind,
  onChange,
}: {
  kinds: readonly Standing[];
  kind: Standing | undefined;
  onChange: (id: string) => void;
}) {
  return (
    <>
      <Choice
        name="Kind"
        value={kind?.id ?? ''}
        options={kinds.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={onChange}
      />
      {kind?.countsAs === 'here' ? (
        <Words tone="inkQuiet">
          Being there takes the roll of lessons not taken yet: everyone else in them is here too.
        </Words>
      ) : null}
    </>
  );
}

function Students({
  candidates,
  chosen,
  onChange,
}: {
  candidates: readonly Student[];
  chosen: ReadonlySet<string>;
  onChange: (chosen: ReadonlySet<string>) => void;
}) {
  const all = chosen.size === candidates.length;
  return (
    <View>
      <View style={{ alignItems: 'flex-start' }}>
        <Action
          label={all ? 'Nobody' : 'Everyone'}
          onPress={() => {
            onChange(new Set(all ? [] : candidates.map(({ id }) => id)));
          }}
        />
      </View>
      {candidates.map((student) => (
        <TickRow
          key={student.id}
          name={displayName(student)}
          ticked={chosen.has(student.id)}
          onChange={(ticked) => {
            const next = new Set(chosen);
            if (ticked) next.add(student.id);
            else next.delete(student.id);
            onChange(next);
          }}
        >
          <Words>{displayName(student)}</Words>
        </TickRow>
      ))}
    </View>
  );
}

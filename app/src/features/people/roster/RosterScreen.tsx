import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { many } from '@slate-path/core/words/many';
import type { ColumnRole } from '@slate-path/core/people/roster/columnRoles';
import type { Decision, MergedRow } from '@slate-path/core/people/roster/mergeRoster';
import { addDays } from '@slate-path/core/calendar/localTime';
import { listOf } from '@slate-path/core/records/records';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { Page } from '../../../parts/Page';
import { Words } from '../../../parts/Words';
import { forgetTyped } from '../../../parts/typed';
import { space } from '../../../theme/tokens';
import { ListSource } from '../../../files/lazyListSource';
import { useLists } from '../../../files/useLists';
import { ApiProblem, postFile } from '../../../sync/api';
import { useNow } from '../../../sync/clock';
import { makeChange, newId } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';
import { RosterMissing, useMissing } from './RosterMissing';
import { RosterColumns } from './RosterColumns';
import { RosterRows, type NameCut } from './RosterRows';

type Reading = AnswerOf<'readRoster'>;

const noNetwork =
  'Reading a roster needs the server, and it does not answer. Nothing was lost; try again when it does.';

/** Bring a roster: a file or pasted cells, what becomes of every row, then one acceptance. */
export function RosterScreen() {
  const { sectionId } = useLocalSearchParams<{ sectionId: string }>();
  const router = useRouter();
  const now = useNow();
  const section = useRecords((state) => state.current.section[sectionId]);
  const [source, setSource] = useState<Blob | null>(null);
  const [reading, setReading] = useState<Reading | null>(null);
  const [decisions, setDecisions] = useState<Record<number, Decision>>({});
  const [cuts, setCuts] = useState<Record<number, NameCut>>({});
  const [leaving, setLeaving] = useState<ReadonlySet<string>>(new Set());
  const [problem, setProblem] = useState<string>();

  const read = async (file: Blob, roles?: ColumnRole[]) => {
    setProblem(undefined);
    setSource(file);
    try {
      const found = await postFile(addressOf('readRoster', { sectionId, roles: roles?.join(',') }), file);
      setReading(found);
      setDecisions({});
      setCuts({});
      setLeaving(new Set());
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      setProblem(error.status === 0 ? noNetwork : error.detail);
    }
  };
  const pasted = `roster ${sectionId}`;
  const lists = useLists();
  const decide = (row: MergedRow, index: number) =>
    decisions[index] ?? lists?.defaultDecision(row) ?? 'leave_out';
  const current = useRecords((state) => state.current);
  const settled = useMemo(() => {
    const people = {
      students: listOf(current, 'student'),
      guardians: listOf(current, 'guardian'),
      enrolments: listOf(current, 'enrolment'),
    };
    return (
      (lists && reading)?.rows.map((row, index) =>
        lists.settledRow({ ...row, ...cuts[index] }, decisions[index] ?? 'accept', sectionId, people),
      ) ?? null
    );
  }, [lists, reading, decisions, cuts, current, sectionId]);
  const accepted = (settled ?? []).filter((row, index) => decide(row, index) !== 'leave_out');
  const missing = useMissing(sectionId, settled);
  const count = accepted.length + leaving.size;
  const accept = () => {
    if (!lists) return;
    const guardians = listOf(current, 'guardian');
    const begun = Object.values(current.lesson).some((l) => l.sectionId === sectionId && l.takenAt !== null);
    // Into a class that has begun, a student comes today; the earlier lessons are not theirs.
    const people = lists.acceptedPeople(accepted, { guardians }, begun ? now.date : null, newId);
    const gone = missing
      .filter(({ enrolment }) => leaving.has(enrolment.id))
      .map(({ enrolment }) => ({ enrolmentId: enrolment.id, endsOn: addDays(now.date, -1) }));
    makeChange('roster.accept', { sectionId, people, gone }, sectionId);
    forgetTyped(pasted);
    router.navigate({ pathname: '/classes/[sectionId]', params: { sectionId } });
  };
  const toClass = { pathname: '/classes/[sectionId]' as const, params: { sectionId } };
  return (
    <Page
      title="Bring a roster"
      tab={`Bring a roster, ${section?.name ?? ''}`}
      note={section?.name}
      back={{ to: toClass, name: 'Back to the class' }}
    >
      {reading && !problem ? null : (
        <ListSource
          name="Roster file"
          what="roster"
          accept=".csv,.tsv,.txt,.xlsx,.zip"
          problem={problem}
          onRead={(list) => void read(list)}
          about={pasted}
          testID="roster"
        >
          A CSV, XLSX or OneRoster file from anywhere, or cells copied out of a table. Names, e-mails, grades,
          groups and guardians are recognised by themselves.
        </ListSource>
      )}
      {reading && !problem ? (
        <>
          <Card style={{ gap: space(3) }}>
            <Words testID="roster-summary">{summaryOf(reading.rows)}</Words>
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
              <Action
                label={`Accept ${many(count, 'row')}`}
                kind="main"
                disabled={count === 0}
                onPress={accept}
              />
              <Action
                label="Another roster"
                onPress={() => {
                  setReading(null);
                }}
              />
            </View>
            <Words size="small" tone="inkQuiet">
              Nothing is saved before you accept.
            </Words>
          </Card>
          <RosterColumns
            columns={reading.columns}
            onChange={(roles) => {
              if (source) void read(source, roles);
            }}
          />
          <RosterRows
            rows={settled ?? []}
            decide={decide}
            onDecide={(index, decision) => {
              setDecisions((last) => ({ ...last, [index]: decision }));
            }}
            onCut={(index, cut) => {
              setCuts((last) => ({ ...last, [index]: cut }));
            }}
          />
          <RosterMissing missing={missing} leaving={leaving} onChange={setLeaving} />
        </>
      ) : null}
    </Page>
  );
}

const fateWords: Record<MergedRow['fate'], string> = {
  new: 'new',
  changed: 'changed',
  same: 'already here, the same',
  in_doubt: 'in doubt',
  left_out: 'left out',
};

/** Somebody for certain who is in a colleague's class. */
const isAtSchool = ({ fate, studentId, atSchool }: MergedRow) =>
  fate === 'changed' && studentId !== null && atSchool.length > 0;

function summaryOf(rows: readonly MergedRow[]): string {
  const counts = Object.entries(fateWords).flatMap(([fate, words]) => {
    const count = rows.filter((row) => row.fate === fate && !isAtSchool(row)).length;
    return count > 0 ? [`${count} ${words}`] : [];
  });
  const joining = rows.filter(isAtSchool).length;
  if (joining > 0) counts.push(`${joining} at the school already`);
  return counts.length > 0 ? `${counts.join(', ')}.` : 'There is a heading, but no row below it.';
}

import { View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import type { Decision, FieldChange, MergedRow } from '@slate-path/core/people/roster/mergeRoster';
import { Card } from '../../../parts/Card';
import { Choice } from '../../../parts/Choice';
import { Words } from '../../../parts/Words';
import { usePalette, useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { useRecords } from '../../../sync/useRecords';

interface RosterRowsProps {
  rows: readonly MergedRow[];
  decide: (row: MergedRow, index: number) => Decision;
  /** @param index of the row: several may stand on one line */
  onDecide: (index: number, decision: Decision) => void;
  onCut: (index: number, cut: NameCut) => void;
}

/** Where a name written as one is cut. */
export type NameCut = Pick<MergedRow, 'givenName' | 'familyName'>;

/** Every way to cut a row's name in two. */
function cutsOf({ givenName, familyName }: NameCut): NameCut[] {
  const words = `${givenName} ${familyName}`.split(' ').filter(Boolean);
  return words.slice(1).map((_, at) => ({
    givenName: words.slice(0, at + 1).join(' '),
    familyName: words.slice(at + 1).join(' '),
  }));
}

function groupOf({ fate, doubts, studentId, atSchool }: MergedRow): Group {
  if (fate === 'in_doubt') return doubts.every(({ mild }) => mild) ? 'to_check' : fate;
  return studentId !== null && atSchool.length > 0 ? 'at_school' : fate;
}

type Group = MergedRow['fate'] | 'to_check' | 'at_school';

const groups: { group: Group; title: string; note: string }[] = [
  { group: 'in_doubt', title: 'In doubt', note: 'Each waits for your word; without it, the row stays out.' },
  {
    group: 'to_check',
    title: 'To check',
    note: 'Somebody for certain, of whom one thing is not. They join as they were read, unless you leave them out.',
  },
  {
    group: 'changed',
    title: 'Changed',
    note: 'Students who are here already, and what the roster says otherwise.',
  },
  {
    group: 'at_school',
    title: 'At the school already',
    note: 'They are in a colleague’s class. Each joins yours as one and the same person; what is known of them stays.',
  },
  { group: 'new', title: 'New', note: 'These join the class.' },
  { group: 'left_out', title: 'Left out', note: 'Rows that are no person.' },
  { group: 'same', title: 'The same', note: 'Already here, nothing to change.' },
];

const fieldWords: Record<FieldChange['field'], string> = {
  givenName: 'given name',
  familyName: 'family name',
  called: 'called',
  email: 'e-mail',
  grade: 'grade',
  schoolId: 'school’s id',
  guardian: 'guardian',
  class: '',
};

function changeWords({ field, before, after }: FieldChange): string {
  return [fieldWords[field], before ? `${before} → ${after}` : after].filter(Boolean).join(' ');
}

function RosterLine({
  row,
  decision,
  onDecide,
  onCut,
}: {
  row: MergedRow;
  decision: Decision;
  onDecide: (decision: Decision) => void;
  onCut: (cut: NameCut) => void;
}) {
  const palette = usePalette();
  const wide = useWide();
  const open = row.fate !== 'same' && (row.givenName !== '' || row.familyName !== '');
  const guardians = row.guardians.map(({ name, email }) => [name, email].filter(Boolean).join(', '));
  const facts = [row.email, row.grade && `grade ${row.grade}`, row.cohort, ...guardians]
    .filter(Boolean)
    .join(' · ');
  const students = useRecords((state) => state.current.student);
  // Two of one name are told apart by what else is known of them.
  const candidateWords = (id: string) => {
    const elsewhere = row.atSchool.find((one) => one.id === id);
    if (elsewhere) return `${displayName(row)} ${elsewhere.taught}`;
    const student = students[id];
    if (!student) return 'somebody here';
    const { email, schoolId, grade } = student;
    const more = row.candidates.length > 1 ? email || schoolId || (grade && `grade ${grade}`) : '';
    return [displayName(student), more].filter(Boolean).join(', ');
  };
  const isOurs = row.fate === 'changed' || row.studentId !== null;
  const yes = isOurs && row.atSchool.length === 0 ? 'Update' : 'Add';
  return (
    <View
      testID={`roster-line-${row.line}`}
      style={{
        flexDirection: wide ? 'row' : 'column',
        gap: space(2),
        paddingVertical: space(2),
        borderTopWidth: 1,
        borderColor: palette.line,
        alignItems: wide ? 'center' : 'stretch',
      }}
    >
      <View style={{ flex: wide ? 1 : undefined }}>
        <Words>
          <Words bold>{displayName(row) || 'No name'}</Words>
          <Words size="small" tone="inkQuiet">{`  line ${row.line}`}</Words>
        </Words>
        {facts ? (
          <Words size="small" tone="inkQuiet">
            {facts}
          </Words>
        ) : null}
        {row.changes.length > 0 ? (
          <Words size="small">{row.changes.map(changeWords).join('; ')}</Words>
        ) : null}
        {row.studentId !== null && row.atSchool.length > 0 ? (
          <Words size="small">{`At the school, ${row.atSchool[0]?.taught ?? ''}`}</Words>
        ) : null}
        {row.doubts.map(({ column, reason }) => (
          <Words key={reason} size="small" tone="clay">
            {`${column === null ? '' : `Column ${column}: `}${reason}`}
          </Words>
        ))}
        {groupOf(row) === 'to_check' && row.studentId === null && cutsOf(row).length > 1 ? (
          <Choice
            name={`Where the family name of line ${row.line} begins`}
            value={row.familyName}
            options={cutsOf(row).map(({ givenName, familyName }) => ({
              value: familyName,
              label: `${givenName} · ${familyName}`,
            }))}
            onChange={(familyName) => {
              const cut = cutsOf(row).find((one) => one.familyName === familyName);
              if (cut) onCut(cut);
            }}
          />
        ) : null}
      </View>
      {open ? (
        <Choice<Decision>
          name={`What becomes of line ${row.line}`}
          value={decision}
          options={[
            ...row.candidates.map((id) => ({
              value: `is ${id}` as const,
              label: `Is ${candidateWords(id)}`,
            })),
            { value: 'accept', label: row.candidates.length > 0 ? 'Somebody new' : yes },
            { value: 'leave_out', label: 'Leave out' },
          ]}
          onChange={onDecide}
        />
      ) : null}
    </View>
  );
}

/** Every row's fate, those that need a word first. */
export function RosterRows({ rows, decide, onDecide, onCut }: RosterRowsProps) {
  return (
    <>
      {groups.map(({ group, title, note }) => {
        const found = rows.flatMap((row, index) => (groupOf(row) === group ? [{ row, index }] : []));
        if (found.length === 0) return null;
        return (
          <Card key={group} style={{ gap: space(1) }}>
            <Words size="large" serif heading={2}>{`${title}: ${found.length}`}</Words>
            <Words tone="inkQuiet">{note}</Words>
            {found.map(({ row, index }) => (
              <RosterLine
                key={index}
                row={row}
                decision={decide(row, index)}
                onDecide={(decision) => {
                  onDecide(index, decision);
                }}
                onCut={(cut) => {
                  onCut(index, cut);
                }}
              />
            ))}
          </Card>
        );
      })}
    </>
  );
}

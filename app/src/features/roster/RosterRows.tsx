import { View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import type { Decision, FieldChange, MergedRow } from '@slate-path/core/roster/mergeRoster';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { Words } from '../../parts/Words';
import { usePalette, useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { useRecords } from '../records/useRecords';

interface RosterRowsProps {
  rows: readonly MergedRow[];
  decide: (row: MergedRow) => Decision;
  onDecide: (line: number, decision: Decision) => void;
}

const groups: { fate: MergedRow['fate']; title: string; note: string }[] = [
  { fate: 'in_doubt', title: 'In doubt', note: 'Each waits for your word; without it, the row stays out.' },
  {
    fate: 'changed',
    title: 'Changed',
    note: 'Students who are here already, and what the list says otherwise.',
  },
  { fate: 'new', title: 'New', note: 'These join the class.' },
  { fate: 'left_out', title: 'Left out', note: 'Rows that are no person.' },
  { fate: 'same', title: 'The same', note: 'Already here, nothing to change.' },
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
}: {
  row: MergedRow;
  decision: Decision;
  onDecide: (decision: Decision) => void;
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
    const student = students[id];
    if (!student) return 'somebody here';
    const { email, schoolId, grade } = student;
    const more = row.candidates.length > 1 ? email || schoolId || (grade && `grade ${grade}`) : '';
    return [displayName(student), more].filter(Boolean).join(', ');
  };
  const yes = row.fate === 'changed' || row.studentId ? 'Update' : 'Add';
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
        {row.doubts.map(({ column, reason }) => (
          <Words key={reason} size="small" tone="clay">
            {`${column === null ? '' : `Column ${column}: `}${reason}`}
          </Words>
        ))}
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
export function RosterRows({ rows, decide, onDecide }: RosterRowsProps) {
  return (
    <>
      {groups.map(({ fate, title, note }) => {
        const found = rows.filter((row) => row.fate === fate);
        if (found.length === 0) return null;
        return (
          <Card key={fate} style={{ gap: space(1) }}>
            <Words size="large" serif heading={2}>{`${title}: ${found.length}`}</Words>
            <Words tone="inkQuiet">{note}</Words>
            {found.map((row) => (
              <RosterLine
                key={row.line}
                row={row}
                decision={decide(row)}
                onDecide={(decision) => {
                  onDecide(row.line, decision);
                }}
              />
            ))}
          </Card>
        );
      })}
    </>
  );
}

import { useState } from 'react';
import { View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import type { LookFor, Student } from '@slate-path/core/records/schema';
import { many } from '@slate-path/core/words/many';
import { Action } from '../../../parts/Action';
import { Field } from '../../../parts/Field';
import { Sentence } from '../../../parts/Sentence';
import { SeveralOf } from '../../../parts/SeveralOf';
import { TickRow } from '../../../parts/TickRow';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { partNames } from '../readerPages/form';
import { languagePhrase } from '../languagePhrase';
import { withOrWithout } from '../withOrWithout';
import { reportParts, type ReportPart, type ReportsForm } from './form';

const parts = reportParts.map((value) => ({ value, label: partNames[value].split(':')[0] ?? '' }));

interface ReportsCardProps {
  students: readonly Student[];
  /** Those that are offered. */
  lookFors: readonly LookFor[];
  form: ReportsForm;
  onChange: (some: Partial<ReportsForm>) => void;
}

type List = 'students' | 'lookFors';

interface OpenerProps {
  label: string;
  which: List;
  open: List | null;
  onOpen: (list: List | null) => void;
}

/** Opens one list at a time. */
function Opener({ label, which, open, onOpen }: OpenerProps) {
  const isOpen = open === which;
  return (
    <Action
      label={label}
      name={`${label}: ${isOpen ? 'close' : 'open'} the list`}
      onPress={() => {
        onOpen(isOpen ? null : which);
      }}
    />
  );
}

/** What stands in the reports on students, and what the teacher says of each. */
export function ReportsCard({ students, lookFors, form, onChange }: ReportsCardProps) {
  const [open, setOpen] = useState<List | null>(null);
  const written = students.filter(({ id }) => form.comments[id]).length;
  return (
    <View style={{ gap: space(3) }}>
      <Words tone="inkQuiet">A sheet or more for each student, one after the other in one PDF.</Words>
      <SeveralOf<ReportPart>
        name="Parts of a report"
        values={form.parts}
        options={parts}
        onChange={(chosen) => {
          onChange({ parts: chosen });
        }}
      />
      <TickRow
        name="Begins with sentences made of the facts (in English)"
        ticked={form.sentences}
        onChange={(sentences) => {
          onChange({ sentences });
        }}
      >
        <Words>Begins with sentences made of the facts (in English)</Words>
      </TickRow>
      <Sentence
        parts={[
          'Headings in ',
          languagePhrase(form.language, (language) => {
            onChange({ language });
          }),
          `; ${many(students.length - form.leftOut.size, 'student')} of ${students.length}, ${written === 0 ? 'no comment yet' : `${many(written, 'comment')} written`}; ${form.lookForIds.size === 0 ? 'no look-for' : many(form.lookForIds.size, 'look-for')}.`,
        ]}
      />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        <Opener label="Who, and a comment on each" which="students" open={open} onOpen={setOpen} />
        {lookFors.length > 0 ? (
          <Opener label="Look-fors with their charts" which="lookFors" open={open} onOpen={setOpen} />
        ) : null}
      </View>
      {open === 'students' ? <StudentLines students={students} form={form} onChange={onChange} /> : null}
      {open === 'lookFors' ? <LookForLines lookFors={lookFors} form={form} onChange={onChange} /> : null}
    </View>
  );
}

function StudentLines({
  students,
  form,
  onChange,
}: Pick<ReportsCardProps, 'students' | 'form' | 'onChange'>) {
  return students.map((student) => {
    const name = displayName(student);
    const isIn = !form.leftOut.has(student.id);
    return (
      <View key={student.id} style={{ gap: space(1) }}>
        <TickRow
          name={`A report on ${name}`}
          ticked={isIn}
          onChange={(ticked) => {
            onChange({ leftOut: withOrWithout(form.leftOut, student.id, !ticked) });
          }}
        >
          <Words bold>{name}</Words>
        </TickRow>
        {isIn ? (
          <Field
            label={`What you say of ${name}`}
            value={form.comments[student.id] ?? ''}
            onChange={(comment) => {
              onChange({ comments: { ...form.comments, [student.id]: comment } });
            }}
          />
        ) : null}
      </View>
    );
  });
}

function LookForLines({
  lookFors,
  form,
  onChange,
}: Pick<ReportsCardProps, 'lookFors' | 'form' | 'onChange'>) {
  return (
    <View role="group" aria-label="Look-fors in a report">
      {lookFors.map(({ id, name }) => (
        <TickRow
          key={id}
          name={`${name}, with its chart`}
          ticked={form.lookForIds.has(id)}
          onChange={(isIn) => {
            onChange({ lookForIds: withOrWithout(form.lookForIds, id, isIn) });
          }}
        >
          <Words>{name}</Words>
        </TickRow>
      ))}
    </View>
  );
}

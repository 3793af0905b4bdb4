import { useState } from 'react';
import { View } from 'react-native';
import type { Guardian, Student } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { Field } from '../../parts/Field';
import { Sheet } from '../../parts/Sheet';
import { Words } from '../../parts/Words';
import { forgetTyped } from '../../parts/typed';
import { space } from '../../theme/tokens';
import { check } from '../../forms/check';
import { useNow } from '../../sync/clock';
import { makeChange, newId } from '../../sync/outbox';

interface StudentFormProps {
  student?: Student;
  guardians?: readonly Guardian[];
  /** The class a new student joins. */
  sectionId?: string;
  onClose: () => void;
}

const blank = { givenName: '', familyName: '', called: '', email: '', grade: '', schoolId: '' };
const labels: Record<keyof typeof blank, string> = {
  givenName: 'Given name',
  familyName: 'Family name',
  called: 'Called (if not the given name)',
  email: 'E-mail',
  grade: 'Grade',
  schoolId: 'School’s id',
};

/** A student typed by hand, or corrected; up to two guardians. */
export default function StudentForm({ student, guardians = [], sectionId, onClose }: StudentFormProps) {
  const now = useNow();
  const [fields, setFields] = useState(() => {
    const { givenName, familyName, called, email, grade, schoolId } = student ?? blank;
    return { givenName, familyName, called, email, grade, schoolId };
  });
  const [adults, setAdults] = useState(() =>
    [0, 1].map((index) => {
      const { id, name, email, phone, relation } = guardians[index] ?? {
        id: newId(),
        name: '',
        email: '',
        phone: '',
        relation: '',
      };
      return { id, name, email, phone, relation };
    }),
  );
  const [errors, setErrors] = useState<Record<string, string>>({});
  const form = `student ${student?.id ?? `new ${sectionId ?? ''}`}`;
  const accept = async () => {
    const read = await check('StudentFields', fields);
    const known = new Set(guardians.map(({ id }) => id));
    const filled = adults.filter(({ id, name, email }) => known.has(id) || name !== '' || email !== '');
    const found: Record<string, string> = { ...read.errors };
    for (const adult of filled) {
      const { errors: wrong } = await check('GuardianFields', adult);
      for (const [field, message] of Object.entries(wrong ?? {})) found[`${adult.id} ${field}`] = message;
    }
    setErrors(found);
    if (read.errors || Object.keys(found).length > 0) return;
    const id = student?.id ?? newId();
    makeChange('student.set', { id, student: read.data, guardians: filled }, id);
    if (!student && sectionId)
      makeChange(
        'enrolment.set',
        { id: newId(), sectionId, studentId: id, cohort: '', startsOn: now.date, endsOn: null },
        id,
      );
    forgetTyped(form);
    onClose();
  };
  return (
    <Sheet title={student ? 'Change the student' : 'A new student'} about={form} onClose={onClose}>
      {(Object.keys(labels) as (keyof typeof labels)[]).map((field) => (
        <Field
          key={field}
          label={labels[field]}
          value={fields[field]}
          error={errors[field]}
          onChange={(value) => {
            setFields((last) => ({ ...last, [field]: value }));
          }}
        />
      ))}
      {adults.map((adult, index) => (
        <View key={adult.id} style={{ gap: space(2) }}>
          <Words bold heading={3}>{`Guardian ${index + 1}`}</Words>
          {(['name', 'email', 'phone', 'relation'] as const).map((field) => (
            <Field
              key={field}
              label={{ name: 'Name', email: 'E-mail', phone: 'Phone', relation: 'Relation' }[field]}
              typedAs={`guardian ${index + 1} ${field}`}
              value={adult[field]}
              error={errors[`${adult.id} ${field}`]}
              onChange={(value) => {
                setAdults((last) => last.map((a) => (a.id === adult.id ? { ...a, [field]: value } : a)));
              }}
            />
          ))}
        </View>
      ))}
      <Action label={student ? 'Change' : 'Add the student'} kind="main" onPress={() => void accept()} />
    </Sheet>
  );
}

import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { displayName } from '@slate-path/core/people/names';
import type { AtSchool, Recognised } from '@slate-path/core/people/roster/atSchool';
import type { Guardian, Student } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { Field } from '../../parts/Field';
import { Sheet } from '../../parts/Sheet';
import { Words } from '../../parts/Words';
import { forgetTyped } from '../../parts/typed';
import { space } from '../../theme/tokens';
import { check } from '../../forms/check';
import { ApiProblem, post } from '../../sync/api';
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

/** Who of the school this may be; nobody where the server cannot be asked, for a class is not kept waiting by that. */
async function askAtSchool(sectionId: string, student: Recognised): Promise<AtSchool[]> {
  const { givenName, familyName, email, schoolId } = student;
  try {
    const body = { givenName, familyName, email, schoolId };
    return (await post(addressOf('atSchool', { sectionId }), body)).found;
  } catch (error) {
    if (error instanceof ApiProblem) return [];
    throw error;
  }
}

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
  const [atSchool, setAtSchool] = useState<AtSchool[] | null>(null);
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
    if (!student && sectionId && atSchool === null) {
      const same = await askAtSchool(sectionId, read.data);
      setAtSchool(same);
      if (same.length > 0) return;
    }
    const id = student?.id ?? newId();
    makeChange('student.set', { id, student: read.data, guardians: filled }, id);
    if (!student) enrol(id);
    forgetTyped(form);
    onClose();
  };
  const enrol = (studentId: string) => {
    if (!sectionId) return;
    makeChange(
      'enrolment.set',
      { id: newId(), sectionId, studentId, cohort: '', startsOn: now.date, endsOn: null },
      studentId,
    );
  };
  if (atSchool && atSchool.length > 0)
    return (
      <Sheet
        title={`Is ${displayName(fields)} at the school already?`}
        note="Somebody of this name, address or id is in a colleague’s class. One person has one path, of which each teacher sees their own part."
        onClose={onClose}
      >
        {atSchool.map(({ id, taught }) => (
          <View key={id} style={{ gap: space(2) }}>
            <Words bold>{`${displayName(fields)}, ${taught}`}</Words>
            <Action
              kind="main"
              label="Yes, the same person"
              name={`Yes, ${displayName(fields)} ${taught}`}
              onPress={() => {
                enrol(id);
                forgetTyped(form);
                onClose();
              }}
            />
          </View>
        ))}
        <Action label="No, somebody new" onPress={() => void accept()} />
      </Sheet>
    );
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

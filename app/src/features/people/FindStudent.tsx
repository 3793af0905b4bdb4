import { useState } from 'react';
import { View } from 'react-native';
import { findByName } from '@slate-path/core/people/findByName';
import { listOf, type Records } from '@slate-path/core/records/records';
import type { Student } from '@slate-path/core/records/schema';
import { isEnrolledOn } from '@slate-path/core/attendance/roll/totals';
import { inColumns } from '../../parts/arrange';
import { Card } from '../../parts/Card';
import { Field } from '../../parts/Field';
import { Words } from '../../parts/Words';
import { useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { useNow } from '../../sync/clock';
import { namesOf } from '../../sync/sections';
import { useRecords } from '../../sync/useRecords';
import { byStudent, useNameOrder } from '../../sync/nameOrder';
import { StudentLine } from './StudentLine';

interface Found {
  student: Student;
  /** The names of the classes that they are in. */
  about: string;
}

/** Everybody who is in a class on a day. */
function everyone(current: Records, date: string): Found[] {
  const classes = new Map<string, string[]>();
  const names = namesOf(current);
  for (const enrolment of listOf(current, 'enrolment')) {
    const section = current.section[enrolment.sectionId];
    if (!section || section.removed || !isEnrolledOn(enrolment, date)) continue;
    classes.set(enrolment.studentId, [
      ...(classes.get(enrolment.studentId) ?? []),
      names[section.id] ?? section.name,
    ]);
  }
  return listOf(current, 'student').flatMap((student) => {
    const own = classes.get(student.id);
    return own ? [{ student, about: [...new Set(own)].sort().join(' · ') }] : [];
  });
}

/** The way to one student of any class. A wide screen has room for all of them; a phone shows who is asked for. */
export function FindStudent() {
  const wide = useWide();
  const now = useNow();
  const order = useNameOrder();
  const [written, setWritten] = useState('');
  const current = useRecords((state) => state.current);
  const all = everyone(current, now.date).sort(byStudent(order));
  const asked = written.trim() !== '';
  const meant = findByName(Object.values(current.student), written);
  const shown = wide || asked ? all.filter(({ student }) => meant.includes(student)) : [];
  if (all.length === 0) return null;
  return (
    <View style={{ gap: space(3) }}>
      <View style={{ flexDirection: 'row' }}>
        <Field
          label={`Find a student: ${all.length} in all classes`}
          value={written}
          onChange={setWritten}
          placeholder="Beginning of a name"
          width={wide ? 340 : undefined}
        />
      </View>
      {asked && shown.length === 0 ? (
        <Words tone="inkQuiet" live>
          Nobody in your classes has a name that begins so.
        </Words>
      ) : null}
      {shown.length > 0 ? (
        <Card style={{ padding: 0, flexDirection: 'row' }}>
          {inColumns(shown, wide ? 3 : 1).map((column, index) => (
            <View key={index} style={{ flex: 1 }}>
              {column.map((found) => (
                <StudentLine key={found.student.id} student={found.student} about={found.about} />
              ))}
            </View>
          ))}
        </Card>
      ) : null}
    </View>
  );
}

import { View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import { listOf } from '@slate-path/core/records/records';
import type { Student } from '@slate-path/core/records/schema';
import { mostOnPage } from '@slate-path/core/sharing/readerPage/limits';
import { listed } from '@slate-path/core/words/listed';
import { useState } from 'react';
import { Action } from '../../../parts/Action';
import { TickRow } from '../../../parts/TickRow';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { byStudent, useNameOrder } from '../../../sync/nameOrder';
import { useRecords } from '../../../sync/useRecords';
import { withOrWithout } from '../withOrWithout';

/** Those who are in a class with a student. */
function useClassmates(student: Student): Student[] {
  const current = useRecords((state) => state.current);
  const order = useNameOrder();
  const enrolments = listOf(current, 'enrolment');
  const own = new Set(enrolments.flatMap((one) => (one.studentId === student.id ? [one.sectionId] : [])));
  const ids = new Set(enrolments.flatMap((one) => (own.has(one.sectionId) ? [one.studentId] : [])));
  return [...ids]
    .flatMap((id) => {
      const found = current.student[id];
      return id !== student.id && found && !found.removed ? [{ student: found }] : [];
    })
    .sort(byStudent(order))
    .map((line) => line.student);
}

interface AboutWhomProps {
  student: Student;
  others: ReadonlySet<string>;
  onChange: (others: ReadonlySet<string>) => void;
}

/** Of whom a page tells: one student, unless somebody reads of several, as a counsellor does. */
export function AboutWhom({ student, others, onChange }: AboutWhomProps) {
  const [isOpen, setOpen] = useState(false);
  const classmates = useClassmates(student);
  const names = [student, ...classmates.filter(({ id }) => others.has(id))].map(displayName);
  if (classmates.length === 0) return null;
  return (
    <View style={{ gap: space(2) }}>
      <Words>{`It tells of ${listed(names)}.`}</Words>
      <View style={{ alignItems: 'flex-start' }}>
        <Action
          label={isOpen ? 'Close the list' : 'Of others too'}
          name={isOpen ? 'Close the list of students' : 'Of others too: students of the same classes'}
          onPress={() => {
            setOpen(!isOpen);
          }}
        />
      </View>
      {isOpen ? (
        <View
          role="group"
          aria-label="Others on the page"
          style={{ maxHeight: 260, overflowY: 'auto' } as object}
        >
          {classmates
            .filter(({ id }) => others.has(id) || others.size + 1 < mostOnPage)
            .map((other) => (
              <TickRow
                key={other.id}
                name={displayName(other)}
                ticked={others.has(other.id)}
                onChange={(isIn) => {
                  onChange(withOrWithout(others, other.id, isIn));
                }}
              >
                <Words>{displayName(other)}</Words>
              </TickRow>
            ))}
        </View>
      ) : null}
    </View>
  );
}

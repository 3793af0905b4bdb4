import { useRouter } from 'expo-router';
import { displayName } from '@slate-path/core/people/names';
import type { Student } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';

/** To a student's path. */
export function OpenPath({ student }: { student: Student }) {
  const router = useRouter();
  return (
    <Action
      label="Open path"
      name={`Open the path of ${displayName(student)}`}
      style={{ alignSelf: 'flex-start' }}
      onPress={() => {
        router.push({ pathname: '/students/[studentId]', params: { studentId: student.id } });
      }}
    />
  );
}

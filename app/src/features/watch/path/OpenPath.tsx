import { useRouter } from 'expo-router';
import { displayName } from '@slate-path/core/people/names';
import type { Student } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { space } from '../../../theme/tokens';

/** To a student's path. @param plain as the last line of a card, flush with its words */
export function OpenPath({ student, plain }: { student: Student; plain?: true }) {
  const router = useRouter();
  return (
    <Action
      label="Open path"
      name={`Open the path of ${displayName(student)}`}
      kind={plain ? 'plain' : 'outlined'}
      style={plain ? { alignSelf: 'flex-start', marginLeft: -space(4) } : undefined}
      onPress={() => {
        router.push({ pathname: '/students/[studentId]', params: { studentId: student.id } });
      }}
    />
  );
}

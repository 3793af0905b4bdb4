import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { displayName } from '@slate-path/core/people/names';
import type { Student } from '@slate-path/core/records/schema';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { rowHeight, space } from '../../theme/tokens';

/** A student in a list, with what there is to say about them; opens their path. */
export function StudentLine({ student, about }: { student: Student; about: string }) {
  const palette = usePalette();
  const router = useRouter();
  return (
    <TouchableRipple
      role="link"
      aria-label={`${displayName(student)}, open path`}
      onPress={() => {
        router.push({ pathname: '/students/[studentId]', params: { studentId: student.id } });
      }}
      style={{
        minHeight: rowHeight,
        justifyContent: 'center',
        borderBottomWidth: 1,
        borderColor: palette.line,
        paddingHorizontal: space(4),
      }}
    >
      <View style={{ paddingVertical: space(1) }}>
        <Words size="name">{displayName(student)}</Words>
        <Words size="small" tone="inkQuiet" lines={1}>
          {about}
        </Words>
      </View>
    </TouchableRipple>
  );
}

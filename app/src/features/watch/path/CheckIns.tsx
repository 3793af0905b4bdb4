import { View } from 'react-native';
import type { AnyCheckIn } from '@slate-path/core/attendance/checkIn/roundUp';
import type { Records } from '@slate-path/core/records/records';
import { longDay } from '../../../parts/dates';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { Said } from '../../attendance/checkIn/Said';

/** What the student said on coming in, the latest first. */
export function CheckIns({ checkIns, lessons }: { checkIns: AnyCheckIn[]; lessons: Records['lesson'] }) {
  const palette = usePalette();
  if (checkIns.length === 0) return null;
  return (
    <View style={{ gap: space(1), borderTopWidth: 1, borderColor: palette.line, paddingTop: space(3) }}>
      <Words bold heading={2}>
        Said on coming in
      </Words>
      {checkIns
        .toSorted((a, b) => (a.at < b.at ? 1 : -1))
        .slice(0, 8)
        .map((checkIn) => (
          <Said
            key={checkIn.id}
            checkIn={checkIn}
            day={longDay(lessons[checkIn.lessonId]?.date ?? checkIn.at.slice(0, 10))}
          />
        ))}
    </View>
  );
}

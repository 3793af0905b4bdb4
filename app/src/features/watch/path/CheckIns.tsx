import type { AnyCheckIn } from '@slate-path/core/attendance/checkIn/roundUp';
import type { Records } from '@slate-path/core/records/records';
import { longDay } from '../../../parts/dates';
import { Card } from '../../../parts/Card';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { Said } from '../../attendance/checkIn/Said';

/** What the student said on coming in, the latest first. */
export function CheckIns({ checkIns, lessons }: { checkIns: AnyCheckIn[]; lessons: Records['lesson'] }) {
  if (checkIns.length === 0) return null;
  return (
    <Card style={{ gap: space(1) }}>
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
    </Card>
  );
}

import { View } from 'react-native';
import type { LocalMoment } from '@slate-path/core/calendar/zone';
import { displayName } from '@slate-path/core/people/names';
import type { Lesson, Student } from '@slate-path/core/records/schema';
import { markId } from '@slate-path/core/attendance/roll/markId';
import { presenceOf } from '@slate-path/core/attendance/roll/presence';
import { tapMeaning } from '@slate-path/core/attendance/roll/tap';
import { isEnrolledOn } from '@slate-path/core/attendance/roll/totals';
import { isKnown } from '@slate-path/core/attendance/roll/says';
import { meaningWords, presenceWords, rowSpoken } from '@slate-path/core/attendance/roll/words';
import { shortDay } from '../../../parts/dates';
import { OarMarks } from '../../../parts/OarMarks';
import { PresenceBar } from '../../../parts/PresenceBar';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { barShape } from '@slate-path/core/attendance/roll/barShape';
import { rollBook } from '../lesson/lessons';
import { tapMoment, tapStudent } from '../lesson/marking';
import { useLevelNames } from '../../observation/sweep/sweeping';
import { useRecords } from '../../../sync/useRecords';
import { dayWidth } from './dayWidth';

interface DayMarkProps {
  lesson: Lesson;
  student: Student;
  now: LocalMoment;
  onMark: () => void;
}

/** One student in one of several lessons: the same tap as on the roll. Nothing where it was not theirs. */
export function DayMark({ lesson, student, now, onMark }: DayMarkProps) {
  const mark = useRecords((state) => state.current.mark[markId(lesson.id, student.id)]);
  const standing = useRecords((state) =>
    mark?.standingId ? rollBook(state.current).standings[mark.standingId] : undefined,
  );
  const enrolled = useRecords((state) =>
    Object.values(state.current.enrolment).some(
      (e) =>
        !e.removed &&
        e.studentId === student.id &&
        e.sectionId === lesson.sectionId &&
        isEnrolledOn(e, lesson.date),
    ),
  );
  const level = useRecords((state) => state.current.sweep[markId(lesson.id, student.id)]?.level ?? null);
  const levelNames = useLevelNames();
  const { line } = usePalette();
  const frame = { width: dayWidth, height: 52, borderLeftWidth: 1, borderColor: line };
  if (!enrolled || lesson.setAside) return <View style={frame} />;
  const moment = tapMoment(lesson, now);
  const presence = presenceOf(lesson, mark, standing, moment.rules);
  const known = isKnown(lesson, mark);
  const words = known ? presenceWords(presence, mark, standing) : '';
  const spoken = rowSpoken(lesson, presence, mark, standing);
  const meaning = tapMeaning(moment, standing, mark);
  const rowed = level === null ? '' : `, ${levelNames[level]?.toLowerCase() ?? ''}`;
  return (
    <TapArea
      id={`day-${lesson.id}-${student.id}`}
      testID="day-mark"
      name={`${displayName(student)}, ${shortDay(lesson.date)}: ${spoken}${rowed}. Tap: ${meaningWords[meaning]}`}
      onTap={() => {
        onMark();
        tapStudent(lesson, student.id, { meaning, arrivedAt: mark?.arrivedAt ?? null });
      }}
      style={{ ...frame, alignItems: 'center', justifyContent: 'center', gap: 2 }}
    >
      <PresenceBar shape={barShape(known ? presence : null)} width={84} height={12} />
      {level === null ? null : <OarMarks level={level} size={16} />}
      {words ? (
        <Words size="small" lines={1} figures>
          {words}
        </Words>
      ) : null}
    </TapArea>
  );
}

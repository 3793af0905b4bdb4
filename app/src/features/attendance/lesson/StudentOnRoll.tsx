import { memo } from 'react';
import { markId } from '@slate-path/core/attendance/roll/markId';
import { tapMeaning } from '@slate-path/core/attendance/roll/tap';
import { useRecords } from '../../../sync/useRecords';
import { rollBook } from './lessons';
import { RollTile } from './RollTile';
import { StudentRow } from './StudentRow';
import type { StudentOnRollProps } from './studentOnRollProps';

/** A student on the roll. It watches its own mark, so that a tap draws this row or tile and no other. */
export const StudentOnRoll = memo(function StudentOnRoll({ moment, ...props }: StudentOnRollProps) {
  const { lesson, student, height } = props;
  const mark = useRecords((state) => state.current.mark[markId(lesson.id, student.id)]);
  const standing = useRecords((state) =>
    mark?.standingId ? rollBook(state.current).standings[mark.standingId] : undefined,
  );
  const Picture = height === null ? StudentRow : RollTile;
  const { rules } = moment;
  return <Picture {...props} {...{ mark, standing, rules }} meaning={tapMeaning(moment, standing, mark)} />;
});

import EllipsisVertical from 'lucide-react-native/icons/ellipsis-vertical';
import { memo, useCallback } from 'react';
import { View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import type { Lesson, Mark, Standing, Student } from '@slate-path/core/records/schema';
import { markId } from '@slate-path/core/attendance/roll/markId';
import { presenceOf } from '@slate-path/core/attendance/roll/presence';
import type { RollRules } from '@slate-path/core/attendance/roll/rules';
import { tapMeaning, type TapMeaning, type TapMoment } from '@slate-path/core/attendance/roll/tap';
import { isKnown, isPlanned } from '@slate-path/core/attendance/roll/says';
import { meaningWords, presenceWords, rowSpoken } from '@slate-path/core/attendance/roll/words';
import { IconAction } from '../../../parts/IconAction';
import { PresenceBar } from '../../../parts/PresenceBar';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { rowHeight, space } from '../../../theme/tokens';
import { useRecords } from '../../../sync/useRecords';
import { barShape } from './barShape';
import { rollBook } from './lessons';
import type { SeenMark } from './marking';

interface StudentRowProps {
  lesson: Lesson;
  student: Student;
  moment: TapMoment;
  /** Where two classes are on one roll; else empty. */
  className: string;
  onTap: (lesson: Lesson, studentId: string, seen: SeenMark) => void;
  onMore: (studentId: string) => void;
}

/** A student on the roll. It watches its own mark, so that a tap draws this row and no other. */
export const StudentRow = memo(function StudentRow(props: StudentRowProps) {
  const { lesson, student, moment, className, onTap, onMore } = props;
  const mark = useRecords((state) => state.current.mark[markId(lesson.id, student.id)]);
  const standing = useRecords((state) =>
    mark?.standingId ? rollBook(state.current).standings[mark.standingId] : undefined,
  );
  return (
    <RowPicture
      lesson={lesson}
      student={student}
      mark={mark}
      standing={standing}
      rules={moment.rules}
      meaning={tapMeaning(moment, standing, mark)}
      className={className}
      onTap={onTap}
      onMore={onMore}
    />
  );
});

interface RowPictureProps extends Omit<StudentRowProps, 'moment'> {
  mark: Mark | undefined;
  standing: Standing | undefined;
  rules: RollRules;
  meaning: TapMeaning;
}

/** Left alone when the row's mark changes. */
const More = memo(function More({ student, onMore }: Pick<StudentRowProps, 'student' | 'onMore'>) {
  const open = useCallback(() => {
    onMore(student.id);
  }, [student.id, onMore]);
  return (
    <IconAction
      name={`More about ${displayName(student)}`}
      icon={EllipsisVertical}
      tone="inkQuiet"
      onPress={open}
    />
  );
});

/** The whole row is the tap; what is unusual is said in words. */
const RowPicture = memo(function RowPicture(props: RowPictureProps) {
  const { lesson, student, mark, standing, rules, meaning, className, onTap, onMore } = props;
  const palette = usePalette();
  const presence = presenceOf(lesson, mark, standing, rules);
  const name = displayName(student);
  const known = isKnown(lesson, mark);
  const words = known ? presenceWords(presence, mark, standing) : '';
  const spoken = rowSpoken(lesson, presence, mark, standing);
  const underName = [isPlanned(lesson, mark) ? 'planned' : '', mark?.comment ?? '']
    .filter(Boolean)
    .join(' · ');
  return (
    <View
      {...({ dataSet: { row: '' } } as object)}
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        minHeight: rowHeight,
        borderBottomWidth: 1,
        borderColor: palette.line,
        paddingRight: space(1),
      }}
    >
      <TapArea
        id={`row-${student.id}`}
        testID="student-row"
        name={`${name}: ${spoken}. Tap: ${meaningWords[meaning]}`}
        onTap={() => {
          onTap(lesson, student.id, { meaning, arrivedAt: mark?.arrivedAt ?? null });
        }}
        style={{
          flex: 1,
          flexDirection: 'row',
          alignItems: 'center',
          minHeight: rowHeight,
          paddingLeft: space(4),
          gap: space(2),
        }}
      >
        <View style={{ flex: 1, paddingVertical: space(1) }}>
          <Words size="name" bold={words !== ''} lines={2}>
            {name}
          </Words>
          {className ? (
            <Words size="small" tone="inkQuiet" lines={1}>
              {className}
            </Words>
          ) : null}
          {underName ? (
            <Words size="small" tone="inkQuiet" lines={1}>
              {underName}
            </Words>
          ) : null}
        </View>
        <View style={{ width: 112, gap: 2 }}>
          <PresenceBar shape={barShape(known ? presence : null)} />
          {words ? (
            <Words size="small" figures lines={1}>
              {words}
            </Words>
          ) : null}
        </View>
      </TapArea>
      <More student={student} onMore={onMore} />
    </View>
  );
});

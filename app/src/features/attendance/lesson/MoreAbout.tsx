import EllipsisVertical from 'lucide-react-native/icons/ellipsis-vertical';
import { memo, useCallback } from 'react';
import { displayName } from '@slate-path/core/people/names';
import type { Student } from '@slate-path/core/records/schema';
import { IconAction } from '../../../parts/IconAction';

interface MoreAboutProps {
  student: Student;
  onMore: (studentId: string) => void;
}

/** The way to all of one mark. Left alone when the mark changes. */
export const MoreAbout = memo(function MoreAbout({ student, onMore }: MoreAboutProps) {
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

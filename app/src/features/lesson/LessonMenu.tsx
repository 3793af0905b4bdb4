import { useRouter } from 'expo-router';
import { useState } from 'react';
import type { Lesson } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { longDay } from '../../parts/dates';
import { Field } from '../../parts/Field';
import { Sheet } from '../../parts/Sheet';
import { clearRoll, markAllAway, setAside, takeAllHere } from './marking';

interface LessonMenuProps {
  lesson: Lesson;
  title: string;
  studentIds: string[];
  onClose: () => void;
}

/** What concerns the whole lesson. Each can be taken back, so none asks twice. */
export function LessonMenu({ lesson, title, studentIds, onClose }: LessonMenuProps) {
  const router = useRouter();
  const [label, setLabel] = useState(lesson.label);
  const then = (work: () => void) => () => {
    work();
    onClose();
  };
  const month = lesson.date.slice(0, 7);
  const toMonth = {
    pathname: '/classes/[sectionId]/months/[month]' as const,
    params: { sectionId: lesson.sectionId, month },
  };
  return (
    <Sheet
      title={title}
      note={`${longDay(lesson.date)}, ${lesson.startsAt} to ${lesson.endsAt}`}
      onClose={onClose}
    >
      {lesson.takenAt === null ? (
        <Action
          label="All here"
          onPress={then(() => {
            takeAllHere(lesson);
          })}
        />
      ) : (
        <Action
          label="Clear the roll: not taken"
          onPress={then(() => {
            clearRoll(lesson, studentIds);
          })}
        />
      )}
      <Action
        label="All away"
        onPress={then(() => {
          markAllAway(lesson, studentIds);
        })}
      />
      <Action
        label="Month of this class"
        onPress={then(() => {
          router.push(toMonth);
        })}
      />
      {lesson.setAside ? (
        <Action
          label="Count it again"
          onPress={then(() => {
            setAside(lesson, false);
          })}
        />
      ) : (
        <>
          <Field
            label="Why it should not count (may stay empty)"
            value={label}
            onChange={setLabel}
            placeholder="Assembly"
          />
          <Action
            label="Set the lesson aside"
            onPress={then(() => {
              setAside(lesson, true, label.trim());
            })}
          />
        </>
      )}
    </Sheet>
  );
}

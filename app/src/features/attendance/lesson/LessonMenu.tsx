import { useRouter } from 'expo-router';
import { useState } from 'react';
import { minutesOf, timeOf } from '@slate-path/core/calendar/localTime';
import type { Lesson } from '@slate-path/core/records/schema';
import { groupBy } from '@slate-path/core/records/groupBy';
import { Action } from '../../../parts/Action';
import { longDay } from '../../../parts/dates';
import { Field } from '../../../parts/Field';
import { Sheet } from '../../../parts/Sheet';
import { forgetTyped } from '../../../parts/typed';
import type { LessonRow } from './lessonRow';
import {
  addLesson,
  clearRoll,
  isAhead,
  markAllAway,
  moveLesson,
  removeLesson,
  setAside,
  takeAllHere,
  type RollGroup,
} from './marking';
import { WhenForm } from './WhenForm';

interface LessonMenuProps {
  lesson: Lesson;
  title: string;
  rows: readonly LessonRow[];
  onClose: () => void;
}

type Part = 'menu' | 'aside' | 'move' | 'extra';

const formOf = ({ id }: Lesson) => `lesson ${id}`;

/** What concerns the whole lesson. Each can be taken back, so none asks twice. */
export default function LessonMenu({ lesson, title, rows, onClose }: LessonMenuProps) {
  const [part, setPart] = useState<Part>('menu');
  const note = `${longDay(lesson.date)}, ${lesson.startsAt} to ${lesson.endsAt}`;
  return (
    <Sheet title={titles[part] ?? title} note={note} about={formOf(lesson)} onClose={onClose}>
      {part === 'menu' ? <Menu lesson={lesson} rows={rows} onPart={setPart} onClose={onClose} /> : null}
      {part === 'aside' ? <SetAside lesson={lesson} onClose={onClose} /> : null}
      {part === 'move' ? (
        <WhenForm
          when={lesson}
          sectionId={lesson.sectionId}
          moved={lesson.id}
          label="Move the lesson"
          onAccept={(to) => {
            moveLesson(lesson, to);
            forgetTyped(formOf(lesson));
            onClose();
          }}
        />
      ) : null}
      {part === 'extra' ? <Extra lesson={lesson} onClose={onClose} /> : null}
    </Sheet>
  );
}

const titles: Partial<Record<Part, string>> = {
  aside: 'Set the lesson aside',
  move: 'Move this lesson',
  extra: 'An extra lesson',
};

interface PartProps {
  lesson: Lesson;
  onClose: () => void;
}

function groupsOf(rows: readonly LessonRow[]): RollGroup[] {
  return [...groupBy(rows, (row) => row.lesson)].map(([lesson, found]) => ({
    lesson,
    studentIds: found.map(({ student }) => student.id),
  }));
}

function Menu({
  lesson,
  rows,
  onPart,
  onClose,
}: PartProps & { rows: readonly LessonRow[]; onPart: (part: Part) => void }) {
  const router = useRouter();
  const then = (work: () => void) => () => {
    work();
    onClose();
  };
  const { id, sectionId, date } = lesson;
  return (
    <>
      {lesson.takenAt === null && !isAhead(lesson) ? (
        <Action
          label="All here"
          onPress={then(() => {
            takeAllHere(lesson);
          })}
        />
      ) : null}
      {lesson.takenAt === null ? null : (
        <Action
          label="Clear the roll: not taken"
          onPress={then(() => {
            clearRoll(groupsOf(rows));
          })}
        />
      )}
      <Action
        label="All away"
        onPress={then(() => {
          markAllAway(groupsOf(rows));
        })}
      />
      <Action
        label="From a participant list"
        onPress={then(() => {
          router.push({ pathname: '/participants', params: { lessonId: id } });
        })}
      />
      <Action
        label="Write to those away"
        onPress={then(() => {
          router.push({ pathname: '/write', params: { lessonId: id } });
        })}
      />
      <Action
        label="Month of this class"
        onPress={then(() => {
          router.push({
            pathname: '/classes/[sectionId]/months/[month]',
            params: { sectionId, month: date.slice(0, 7) },
          });
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
        <Action
          label="Set the lesson aside: it does not count"
          onPress={() => {
            onPart('aside');
          }}
        />
      )}
      <Action
        label="Move to another day or time"
        onPress={() => {
          onPart('move');
        }}
      />
      <Action
        label="Delete this lesson"
        onPress={then(() => {
          removeLesson(lesson);
          router.replace({ pathname: '/lessons/[lessonId]', params: { lessonId: id } });
        })}
      />
      <Action
        label="Add an extra lesson"
        onPress={() => {
          onPart('extra');
        }}
      />
    </>
  );
}

function SetAside({ lesson, onClose }: PartProps) {
  const [label, setLabel] = useState(lesson.label);
  const accept = () => {
    setAside(lesson, true, label.trim());
    forgetTyped(formOf(lesson));
    onClose();
  };
  return (
    <>
      <Field
        label="Why it should not count (may stay empty)"
        value={label}
        onChange={setLabel}
        placeholder="Assembly"
        onSubmit={accept}
      />
      <Action label="Set it aside" kind="main" onPress={accept} />
    </>
  );
}

function Extra({ lesson, onClose }: PartProps) {
  const router = useRouter();
  const [label, setLabel] = useState('');
  const { sectionId, date } = lesson;
  // Right after this one, and as long.
  const startsAt = lesson.endsAt;
  const endsAt = timeOf(2 * minutesOf(lesson.endsAt) - minutesOf(lesson.startsAt));
  return (
    <>
      <Field
        label="What it is (may stay empty)"
        value={label}
        onChange={setLabel}
        placeholder="Low-tide walk"
      />
      <WhenForm
        when={{ date, startsAt, endsAt }}
        sectionId={sectionId}
        label="Add the lesson"
        onAccept={(when) => {
          const lessonId = addLesson({ sectionId, ...when, label: label.trim() });
          forgetTyped(formOf(lesson));
          onClose();
          router.push({ pathname: '/lessons/[lessonId]', params: { lessonId } });
        }}
      />
    </>
  );
}

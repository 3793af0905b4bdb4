import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { lessonFrom } from '@slate-path/core/calendar/lessonFrom';
import { daysBetween, minutesOf, timeOf } from '@slate-path/core/calendar/localTime';
import type { LocalMoment } from '@slate-path/core/calendar/zone';
import type { Lesson } from '@slate-path/core/records/schema';
import { groupBy } from '@slate-path/core/records/groupBy';
import { Action } from '../../../parts/Action';
import { longDay } from '../../../parts/dates';
import { Field } from '../../../parts/Field';
import { Groups, type Group } from '../../../parts/Groups';
import { Sheet } from '../../../parts/Sheet';
import { forgetTyped } from '../../../parts/typed';
import type { LessonRow } from './lessonRow';
import {
  addLesson,
  clearRoll,
  isAhead,
  markAllAway,
  moveLesson,
  moveMarks,
  removeLesson,
  setAside,
  takeAllHere,
  type RollGroup,
} from './marking';
import { Words } from '../../../parts/Words';
import { useNow } from '../../../sync/clock';
import { LessonList } from './LessonList';
import { useAllLessons } from './lessons';
import { WhenForm, type When } from './WhenForm';

interface LessonMenuProps {
  lesson: Lesson;
  title: string;
  rows: readonly LessonRow[];
  onClose: () => void;
}

type Part = 'menu' | 'aside' | 'move' | 'extra' | 'marks';

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
      {part === 'marks' ? <MoveMarks lesson={lesson} rows={rows} onClose={onClose} /> : null}
      {part === 'extra' ? <Extra lesson={lesson} onClose={onClose} /> : null}
    </Sheet>
  );
}

const titles: Partial<Record<Part, string>> = {
  aside: 'Set the lesson aside',
  move: 'Move this lesson',
  extra: 'An extra lesson',
  marks: 'To which lesson do they belong?',
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
  const taken = lesson.takenAt !== null;
  const goTo = (to: Href) =>
    then(() => {
      router.push(to);
    });
  const opens = (part: Part) => () => {
    onPart(part);
  };
  const groups: Group[] = [
    {
      title: 'The roll',
      items: [
        taken || isAhead(lesson)
          ? null
          : {
              label: 'All here',
              onPress: then(() => {
                takeAllHere(lesson);
              }),
            },
        {
          label: 'All away',
          note: 'Then tap who did come',
          onPress: then(() => {
            markAllAway(groupsOf(rows));
          }),
        },
        {
          label: 'From a participant list',
          note: 'The file of a meeting on the screen, or a pasted list',
          onPress: goTo({ pathname: '/participants', params: { lessonId: id } }),
        },
        taken
          ? {
              label: 'Clear the roll: not taken',
              onPress: then(() => {
                clearRoll(groupsOf(rows));
              }),
            }
          : null,
        taken
          ? {
              label: 'Move its marks to another lesson',
              note: 'Taken on the wrong one',
              onPress: opens('marks'),
            }
          : null,
      ],
    },
    {
      title: 'This lesson',
      items: [
        { label: 'Move to another day or time', onPress: opens('move') },
        lesson.setAside
          ? {
              label: 'Count it again',
              onPress: then(() => {
                setAside(lesson, false);
              }),
            }
          : {
              label: 'Set the lesson aside: it does not count',
              note: 'An assembly, a fire alarm; what is marked stays',
              onPress: opens('aside'),
            },
        {
          label: 'Delete this lesson',
          onPress: then(() => {
            removeLesson(lesson);
            router.replace({ pathname: '/lessons/[lessonId]', params: { lessonId: id } });
          }),
        },
      ],
    },
    {
      title: 'Another lesson',
      items: [
        { label: 'Add an extra lesson', note: 'Of this class, on any day', onPress: opens('extra') },
        { label: 'Take a roll now, of any class', onPress: goTo('/now') },
      ],
    },
    {
      title: 'The class',
      items: [
        {
          label: 'A sentence to each',
          note: 'A phrase with each one’s own name in it, as a note and home',
          onPress: goTo({ pathname: '/each', params: { lessonId: id } }),
        },
        { label: 'Write to those away', onPress: goTo({ pathname: '/write', params: { lessonId: id } }) },
        {
          label: 'Overview of this class',
          onPress: goTo({ pathname: '/classes/[sectionId]', params: { sectionId } }),
        },
        {
          label: 'Month of this class',
          onPress: goTo({
            pathname: '/classes/[sectionId]/months/[month]',
            params: { sectionId, month: date.slice(0, 7) },
          }),
        },
      ],
    },
  ];
  return <Groups groups={groups} />;
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

/** Of a lesson of today right after it, and as long; else today, from now on. */
function nextTime({ date, startsAt, endsAt }: Lesson, now: LocalMoment): When {
  const length = minutesOf(endsAt) - minutesOf(startsAt);
  if (date !== now.date) return { date: now.date, ...lessonFrom(now.time, { startsAt, endsAt }) };
  const end = Math.min(minutesOf(endsAt) + length, 24 * 60 - 1);
  return { date, startsAt: endsAt, endsAt: timeOf(end) };
}

/** So many days before and after a lesson one may have been meant, in days. */
const near = 14;

/** Lessons of the class near this one whose roll was not taken. */
function MoveMarks({ lesson, rows, onClose }: PartProps & { rows: readonly LessonRow[] }) {
  const router = useRouter();
  const lessons = useAllLessons().filter(
    (other) =>
      other.sectionId === lesson.sectionId &&
      other.id !== lesson.id &&
      other.takenAt === null &&
      !other.setAside &&
      !isAhead(other) &&
      Math.abs(daysBetween(lesson.date, other.date)) <= near,
  );
  if (lessons.length === 0)
    return (
      <Words tone="inkQuiet">
        Every lesson of this class in the two weeks around it was taken already. Clear the roll of the right
        one, or add the lesson, and then move these marks.
      </Words>
    );
  return (
    <>
      <Words tone="inkQuiet">
        Its roll is taken by these marks; the lesson they leave is not taken any more.
      </Words>
      <LessonList
        lessons={lessons.toReversed()}
        onGo={(to) => {
          moveMarks(
            lesson,
            to,
            rows.filter((row) => row.lesson.id === lesson.id),
          );
          onClose();
          router.replace({ pathname: '/lessons/[lessonId]', params: { lessonId: to.id } });
        }}
      />
    </>
  );
}

function Extra({ lesson, onClose }: PartProps) {
  const router = useRouter();
  const [label, setLabel] = useState('');
  const { sectionId } = lesson;
  const now = useNow();
  const { date, startsAt, endsAt } = nextTime(lesson, now);
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

import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { addressOf } from '@slate-path/core/api/address';
import { shownNames } from '@slate-path/core/attendance/checkIn/shownNames';
import { displayName } from '@slate-path/core/people/names';
import { groupBy } from '@slate-path/core/records/groupBy';
import { listOf } from '@slate-path/core/records/records';
import type { Section, Student, Task } from '@slate-path/core/records/schema';
import { isEnrolledOn } from '@slate-path/core/attendance/roll/totals';
import { workDay, type WorkDay } from '@slate-path/core/people/work/planWork';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { longDay } from '../../../parts/dates';
import { Empty } from '../../../parts/Empty';
import { Field } from '../../../parts/Field';
import { choicePhrase, Sentence } from '../../../parts/Sentence';
import { Words } from '../../../parts/Words';
import { usePalette, useWide } from '../../../theme/theme';
import { rowHeight, space } from '../../../theme/tokens';
import { byStudent, useNameOrder } from '../../../sync/nameOrder';
import { useNow } from '../../../sync/clock';
import type { Concerns } from '../../../sync/outbox';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';
import { ClassPage } from '../class/lazyClassPage';
import { TaskForm } from './TaskForm';
import { setWholeDay } from './work';

const hours = (minutes: number) =>
  minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${minutes % 60}`;

const countOf = (count: number, thing: string) => `${count} ${thing}${count === 1 ? '' : 's'}`;

/** What one student has finished, by day: the days are the student's attendance. */
export function WorkScreen() {
  const { sectionId } = useLocalSearchParams<{ sectionId: string }>();
  const wide = useWide();
  const now = useNow();
  const order = useNameOrder();
  const current = useRecords((state) => state.current);
  const section = current.section[sectionId];
  const [studentId, setStudentId] = useState('');
  const [open, setOpen] = useState<Task | 'new' | null>(null);
  const terms = listOf(current, 'term').sort((a, b) => (a.startsOn < b.startsOn ? 1 : -1));
  const term = terms.find(({ startsOn }) => startsOn <= now.date) ?? terms[0];
  // The marks of the days that are counted anew must be here.
  useView(addressOf('lessons', { from: term?.startsOn ?? now.date, to: term?.endsOn ?? now.date }));
  const students = listOf(current, 'enrolment')
    .filter((e) => e.sectionId === sectionId && isEnrolledOn(e, now.date))
    .flatMap((e) => {
      const student = current.student[e.studentId];
      return student && !student.removed ? [{ student }] : [];
    })
    .sort(byStudent(order))
    .map(({ student }) => student);
  const student = students.find(({ id }) => id === studentId) ?? students[0];
  if (!section) return null;
  return (
    <ClassPage
      sectionId={sectionId}
      page="Work and activity"
      tab="Finished work"
      tools={<TakeBack about={sectionId} concerns={ofTheWork} />}
      main={
        student && {
          label: 'Add work',
          onPress: () => {
            setOpen('new');
          },
        }
      }
    >
      {student ? (
        <>
          <Sentence
            parts={[
              'Finished work of ',
              choicePhrase({
                name: 'choose the student',
                value: student.id,
                options: shownNames(students, true).map(({ id, name }) => ({ value: id, label: name })),
                onChange: setStudentId,
              }),
              ': a day with some of it counts as attended.',
            ]}
          />
          <View style={{ flexDirection: wide ? 'row' : 'column', gap: space(4), alignItems: 'flex-start' }}>
            <Days
              section={section}
              student={student}
              tasks={listOf(current, 'task').filter(
                (t) => t.studentId === student.id && t.sectionId === sectionId,
              )}
              onOpen={setOpen}
            />
            <WholeDay key={String(section.wholeDayMinutes)} section={section} />
          </View>
          {open ? (
            <TaskForm
              section={section}
              student={student}
              task={open === 'new' ? null : open}
              today={now.date}
              onClose={() => {
                setOpen(null);
              }}
            />
          ) : null}
        </>
      ) : (
        <Empty title="Nobody is in this class yet">Finished work is noted for the students of a class.</Empty>
      )}
    </ClassPage>
  );
}

const dayWords: Record<WorkDay, string> = { whole: 'a whole day', half: 'half a day', none: '' };

interface DaysProps {
  section: Section;
  student: Student;
  tasks: Task[];
  onOpen: (task: Task) => void;
}

function Days({ section, student, tasks, onOpen }: DaysProps) {
  const palette = usePalette();
  const byDay = [...groupBy(tasks, ({ doneOn }) => doneOn ?? '')].sort(([a], [b]) =>
    a === '' ? -1 : b === '' ? 1 : a < b ? 1 : -1,
  );
  const done = byDay.filter(([date]) => date !== '');
  const days = done.map(([date]) => workDay(tasks, student.id, date, section.wholeDayMinutes));
  const whole = days.filter((day) => day === 'whole').length;
  const finished = tasks.filter(({ doneOn }) => doneOn).length;
  const minutes = tasks.reduce((sum, task) => sum + (task.doneOn ? (task.minutes ?? 0) : 0), 0);
  if (tasks.length === 0)
    return (
      <Empty title={`Nothing of ${displayName(student)} yet`}>
        Add what was done and on which day; the roll of that day follows by itself.
      </Empty>
    );
  return (
    <Card style={{ padding: 0, flexGrow: 2, width: '100%', flexShrink: 1 }}>
      <Words bold figures style={{ padding: space(4) }}>
        {[countOf(whole + (days.length - whole) / 2, 'day'), hours(minutes), countOf(finished, 'piece')].join(
          ', ',
        )}
      </Words>
      {byDay.map(([date, found]) => (
        <View key={date} style={{ borderTopWidth: 1, borderColor: palette.line, paddingVertical: space(2) }}>
          <Words size="small" tone="inkQuiet" style={{ paddingHorizontal: space(4) }}>
            {date === ''
              ? 'Not done yet'
              : `${longDay(date)}, ${dayWords[workDay(tasks, student.id, date, section.wholeDayMinutes)]}`}
          </Words>
          {found.map((task) => (
            <TouchableRipple
              key={task.id}
              role="button"
              aria-label={`Change ${task.title}`}
              onPress={() => {
                onOpen(task);
              }}
              style={{ minHeight: rowHeight, justifyContent: 'center', paddingHorizontal: space(4) }}
            >
              <View style={{ flexDirection: 'row', gap: space(2) }}>
                <View style={{ flex: 1 }}>
                  <Words>{task.title}</Words>
                </View>
                <Words figures tone="inkQuiet">
                  {task.minutes === null ? '' : hours(task.minutes)}
                </Words>
              </View>
            </TouchableRipple>
          ))}
        </View>
      ))}
    </Card>
  );
}

/** Work, the marks that come of it, and what a whole day is: what *Take back* means on this page. */
const ofTheWork: Concerns = ({ table, ...edit }) =>
  table === 'section' ? 'wholeDayMinutes' in edit.values : ['task', 'mark', 'lesson'].includes(table);

/** From how many minutes a day is a whole one. */
function WholeDay({ section }: { section: Section }) {
  const [minutes, setMinutes] = useState(
    section.wholeDayMinutes === null ? '' : String(section.wholeDayMinutes),
  );
  const [wrong, setWrong] = useState(false);
  const accept = () => {
    const value = minutes.trim() === '' ? null : Number(minutes);
    const good = value === null || (Number.isInteger(value) && value >= 1 && value <= 720);
    setWrong(!good);
    if (good) setWholeDay(section, value);
  };
  return (
    <Card style={{ gap: space(3), flexGrow: 1, width: '100%', flexShrink: 1 }}>
      <Field
        label="Minutes of a whole day (empty: any work is one)"
        value={minutes}
        onChange={setMinutes}
        keyboard="numeric"
        error={wrong ? 'Whole minutes from 1 to 720' : undefined}
        hint="With less it is half a day. Marks made by hand stay."
      />
      <Action label="Count so" onPress={accept} />
    </Card>
  );
}

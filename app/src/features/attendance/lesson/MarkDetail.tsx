import { useRouter } from 'expo-router';
import { useCallback, useState } from 'react';
import { View } from 'react-native';
import type { Lesson, Mark, Standing } from '@slate-path/core/records/schema';
import type { RollRow } from '@slate-path/core/attendance/roll/rollRows';
import { markId } from '@slate-path/core/attendance/roll/markId';
import { standingByTimes, standingFor } from '@slate-path/core/attendance/roll/standings';
import { Action } from '../../../parts/Action';
import { Choice } from '../../../parts/Choice';
import { Field } from '../../../parts/Field';
import { useWritten } from '../../../parts/useWritten';
import { Words } from '../../../parts/Words';
import { lazily } from '../../../parts/lazily';
import { space } from '../../../theme/tokens';
import { PhraseButton } from '../../phrases/PhraseButton';
import { AllSaid } from '../checkIn/AllSaid';
import { useNow } from '../../../sync/clock';
import type { Concerns } from '../../../sync/outbox';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';
import { historyOf } from './lessons';
import { chooseStanding, writeComment } from './marking';
import { readTime } from '@slate-path/core/calendar/readTime';

const MarkHistory = lazily(() => import('./MarkHistory'));

interface TimeProps {
  label: string;
  value: string | null;
  lesson: Lesson;
  onChange: (time: string | null) => void;
}

/** With its minutes, or half of the day: an hour alone may go on. */
const isWhole = (written: string) => written.trim() === '' || /\d\D?\d\d|m\.?$/i.test(written);

/** A time of the lesson, taken as soon as it is whole, or when its field is left. */
function TimeField({ label, value, lesson, onChange }: TimeProps) {
  const [written, setWritten] = useState(value ?? '');
  // What was decided elsewhere is shown; what is typed here stays as it is typed, with the cursor in it.
  const [shown, setShown] = useState(value);
  if (shown !== value) {
    setShown(value);
    if (readTime(written) !== value) setWritten(value ?? '');
  }
  const read = readTime(written);
  const outside =
    isWhole(written) &&
    read !== null &&
    read !== undefined &&
    (read < lesson.startsAt || read > lesson.endsAt);
  const take = (next: string) => {
    const time = readTime(next);
    const inside = time === null || (time && time >= lesson.startsAt && time <= lesson.endsAt);
    if (time !== undefined && inside) onChange(time);
  };
  const error =
    read === undefined && written.length >= 4
      ? 'A time looks like 10:48'
      : outside
        ? `The lesson is from ${lesson.startsAt} to ${lesson.endsAt}`
        : undefined;
  return (
    <Field
      label={label}
      value={written}
      width={150}
      error={error}
      onChange={(next) => {
        setWritten(next);
        if (isWhole(next)) take(next);
      }}
      onLeave={() => {
        if (read !== value) take(written);
      }}
    />
  );
}

/** Where a mark came from, if not from a tap. */
const sourceWords: Record<Mark['source'], string> = {
  tap: '',
  check_in: 'From the check-in.',
  participants: 'From a participant list.',
  range: 'From a range of days.',
  work: 'From finished work.',
};

/** Everything about one student in one lesson: standing, times, comment, and who changed it. */
export default function MarkDetail({
  lesson,
  row,
  onDone,
}: {
  lesson: Lesson;
  row: RollRow;
  onDone?: () => void;
}) {
  const router = useRouter();
  const now = useNow();
  const standings = useRecords((state) => state.current.standing);
  const listed = Object.values(standings)
    .filter((s) => !s.removed)
    .sort((a, b) => a.position - b.position);
  const { student, mark } = row;
  const chosen = row.standing ?? standingFor(listed, 'here');
  const ownMark: Concerns = useCallback(
    ({ table, id }) => table === 'mark' && id === markId(lesson.id, student.id),
    [lesson.id, student.id],
  );
  const comment = useWritten(`comment ${markId(lesson.id, student.id)}`, mark?.comment ?? '', (text) => {
    const kept = text.trim();
    if (kept !== (mark?.comment ?? '')) writeComment(lesson, student.id, kept);
    return true;
  });
  const times = { arrivedAt: mark?.arrivedAt ?? null, leftAt: mark?.leftAt ?? null };
  const on = now.date === lesson.date && now.time >= lesson.startsAt && now.time <= lesson.endsAt;
  const choose = (standing: Standing) => {
    const { countsAs } = standing;
    const current = on ? now.time : null;
    const arrivedAt =
      countsAs === 'late' ? (times.arrivedAt ?? current) : countsAs === 'here' ? null : times.arrivedAt;
    const leftAt = countsAs === 'left_early' ? (times.leftAt ?? current) : null;
    chooseStanding(lesson, student.id, standing, { arrivedAt, leftAt });
  };
  const there = chosen?.countsAs !== 'away' && chosen?.countsAs !== 'not_counted';
  const setTimes = (next: Partial<typeof times>) => {
    const all = { ...times, ...next };
    const standing = standingByTimes(chosen, next, listed);
    if (standing) chooseStanding(lesson, student.id, standing, all);
  };
  return (
    <View style={{ gap: space(4) }}>
      <Choice
        name="Standing"
        value={chosen?.id ?? ''}
        options={listed.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={(id) => {
          const standing = listed.find((s) => s.id === id);
          if (standing) choose(standing);
        }}
      />
      <AllSaid lessonId={lesson.id} studentId={student.id} />
      {mark && sourceWords[mark.source] ? (
        <Words size="small" tone="inkQuiet">
          {sourceWords[mark.source]}
        </Words>
      ) : null}
      {there ? (
        <View style={{ flexDirection: 'row', gap: space(3), flexWrap: 'wrap' }}>
          <TimeField
            label="Arrived at"
            value={times.arrivedAt}
            lesson={lesson}
            onChange={(arrivedAt) => {
              setTimes({ arrivedAt });
            }}
          />
          <TimeField
            label="Left at"
            value={times.leftAt}
            lesson={lesson}
            onChange={(leftAt) => {
              setTimes({ leftAt });
            }}
          />
        </View>
      ) : null}
      <Field
        label="Comment"
        value={comment.text}
        hint="Kept with this lesson, for this student"
        end={
          <PhraseButton
            about={{ studentId: student.id, sectionId: lesson.sectionId, lesson }}
            text={comment.text}
            onChange={(text) => {
              comment.write(text.slice(0, 500));
            }}
          />
        }
        onChange={(text) => {
          comment.write(text.slice(0, 500));
        }}
        onSubmit={comment.save}
        onLeave={comment.save}
      />
      <View style={{ flexDirection: 'row', gap: space(2), flexWrap: 'wrap' }}>
        <TakeBack about={historyOf(lesson)} concerns={ownMark} />
        <Action
          label="Open path"
          onPress={() => {
            onDone?.();
            router.push({ pathname: '/students/[studentId]', params: { studentId: student.id } });
          }}
        />
      </View>
      {lesson.takenAt ? (
        <MarkHistory lessonId={lesson.id} studentId={student.id} />
      ) : (
        <Words tone="inkQuiet">The roll of this lesson has not been taken yet.</Words>
      )}
    </View>
  );
}

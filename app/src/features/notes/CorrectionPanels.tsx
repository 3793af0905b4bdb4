import { useState } from 'react';
import { View } from 'react-native';
import { isDate } from '@slate-path/core/calendar/isDate';
import { asWritten, type Corrections, type Doubt, type NoteLinks } from '@slate-path/core/notes/links';
import type { NoteReading } from '@slate-path/core/notes/readNote';
import { standingTopics } from '@slate-path/core/notes/topics';
import { findByName } from '@slate-path/core/people/findByName';
import { byDisplayName, displayName } from '@slate-path/core/people/names';
import { listOf } from '@slate-path/core/records/records';
import { Action } from '../../parts/Action';
import { DateField } from '../../parts/DateField';
import { Field } from '../../parts/Field';
import { Words } from '../../parts/Words';
import { space } from '../../theme/tokens';
import { readDate } from '../../forms/readDate';
import { useNow } from '../../sync/clock';
import { useRecords } from '../../sync/useRecords';

interface PanelProps {
  corrections: Corrections;
  onCorrect: (news: Partial<Corrections>) => void;
}

const row = { flexDirection: 'row', flexWrap: 'wrap', gap: space(2) } as const;
const including = (set: ReadonlySet<string>, id: string) => new Set([...set, id]);
const without = (set: ReadonlySet<string>, id: string) => new Set([...set].filter((one) => one !== id));

/** Several of one name: who is it? */
export function DoubtPanel({ doubt, corrections, onCorrect }: PanelProps & { doubt: Doubt | undefined }) {
  const students = useRecords((state) => state.current.student);
  if (!doubt) return null;
  const answer = (studentId: string | null) => () => {
    onCorrect({ meant: { ...corrections.meant, [doubt.written]: studentId } });
  };
  return (
    <View style={row}>
      {doubt.candidates.map((id) => {
        const student = students[id];
        return student ? <Action key={id} label={displayName(student)} onPress={answer(id)} /> : null;
      })}
      <Action label="No student" kind="plain" onPress={answer(null)} />
    </View>
  );
}

interface StudentPanelProps extends PanelProps {
  text: string;
  studentId: string;
  reading: NoteReading;
}

/** A student who was read: not meant, or another one. */
export function StudentPanel({ text, studentId, reading, corrections, onCorrect }: StudentPanelProps) {
  const [other, setOther] = useState(false);
  const mention = reading.students.find(
    (one) => one.studentIds.includes(studentId) || corrections.meant[asWritten(text, one)] === studentId,
  );
  const written = mention && asWritten(text, mention);
  return (
    <View style={{ gap: space(2) }}>
      <View style={row}>
        <Action
          label="Not meant"
          onPress={() => {
            onCorrect({
              notStudents: including(corrections.notStudents, studentId),
              moreStudents: without(corrections.moreStudents, studentId),
            });
          }}
        />
        {written === undefined ? null : (
          <Action
            label="Somebody else"
            kind="plain"
            onPress={() => {
              setOther(true);
            }}
          />
        )}
      </View>
      {other && written !== undefined ? (
        <StudentSearch
          left={[studentId]}
          onChoose={(id) => {
            onCorrect({
              meant: { ...corrections.meant, [written]: id },
              notStudents: without(corrections.notStudents, id),
            });
          }}
        />
      ) : null}
    </View>
  );
}

export function TopicPanel({ topicId, corrections, onCorrect }: PanelProps & { topicId: string }) {
  return (
    <View style={row}>
      <Action
        label="Not about this"
        onPress={() => {
          onCorrect({
            notTopics: including(corrections.notTopics, topicId),
            moreTopics: without(corrections.moreTopics, topicId),
          });
        }}
      />
    </View>
  );
}

/** Another day to look again, or none. */
export function DatePanel({
  date,
  onCorrect,
}: {
  date: string | null;
  onCorrect: (news: Partial<Corrections>) => void;
}) {
  const now = useNow();
  const [typed, setTyped] = useState(date ?? '');
  const read = readDate(typed);
  const isDay = isDate(read);
  const error =
    typed === '' || (isDay && read > now.date) ? undefined : 'A day to come looks like 2026-12-03';
  const choose = () => {
    if (isDay && read > now.date) onCorrect({ lookAgainOn: read });
  };
  return (
    <View style={[row, { alignItems: 'flex-end' }]}>
      <DateField
        label="Look again on"
        value={typed}
        width={200}
        error={error}
        onChange={setTyped}
        onSubmit={choose}
      />
      <Action label="This day" disabled={!isDay || error !== undefined} onPress={choose} />
      {date === null ? null : (
        <Action
          label="No day"
          kind="plain"
          onPress={() => {
            onCorrect({ lookAgainOn: null });
          }}
        />
      )}
    </View>
  );
}

const mostFound = 6;

/** Students by the letters typed, those of any class. */
export function StudentSearch({
  left,
  onChoose,
}: {
  left: readonly string[];
  onChoose: (studentId: string) => void;
}) {
  const [typed, setTyped] = useState('');
  const current = useRecords((state) => state.current);
  const wanted = typed.trim();
  const found =
    wanted === ''
      ? []
      : findByName(listOf(current, 'student'), wanted)
          .filter(({ id }) => !left.includes(id))
          .sort(byDisplayName)
          .slice(0, mostFound);
  return (
    <View style={{ gap: space(2) }}>
      <Field label="A student’s name" value={typed} onChange={setTyped} />
      <View style={row}>
        {found.map((student) => (
          <Action
            key={student.id}
            label={displayName(student)}
            onPress={() => {
              onChoose(student.id);
            }}
          />
        ))}
        {wanted !== '' && found.length === 0 ? <Words tone="inkQuiet">Nobody of this name.</Words> : null}
      </View>
    </View>
  );
}

/** What no word of the note says: a student, a topic, a day. */
export function AddPanel({ links, corrections, onCorrect }: PanelProps & { links: NoteLinks }) {
  const topics = useRecords((state) => state.current.topic);
  const others = standingTopics(topics).filter(
    ({ id }) => !links.topics.some(({ topicId }) => topicId === id),
  );
  return (
    <View style={{ gap: space(3) }}>
      <StudentSearch
        left={links.students.map(({ studentId }) => studentId)}
        onChoose={(id) => {
          onCorrect({
            moreStudents: including(corrections.moreStudents, id),
            notStudents: without(corrections.notStudents, id),
          });
        }}
      />
      {others.length > 0 ? (
        <View style={row}>
          {others.slice(0, 12).map(({ id, name }) => (
            <Action
              key={id}
              label={name}
              name={`Add the topic ${name}`}
              onPress={() => {
                onCorrect({
                  moreTopics: including(corrections.moreTopics, id),
                  notTopics: without(corrections.notTopics, id),
                });
              }}
            />
          ))}
        </View>
      ) : null}
      {links.lookAgainOn === null ? <DatePanel date={null} onCorrect={onCorrect} /> : null}
    </View>
  );
}

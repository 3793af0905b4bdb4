import { useState } from 'react';
import { View } from 'react-native';
import { asWritten, type Corrections, type Doubt, type NoteLinks } from '@slate-path/core/notes/links';
import type { NoteReading } from '@slate-path/core/notes/readNote';
import { standingTopics } from '@slate-path/core/notes/topics';
import { displayName } from '@slate-path/core/people/names';
import { Action } from '../../parts/Action';
import { space } from '../../theme/tokens';
import { useRecords } from '../../sync/useRecords';

import { DatePanel } from './DatePanel';
import { StudentSearch } from './StudentSearch';

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
      <Action label="No student" onPress={answer(null)} />
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

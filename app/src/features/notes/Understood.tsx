import CalendarClock from 'lucide-react-native/icons/calendar-clock';
import CircleHelp from 'lucide-react-native/icons/circle-question-mark';
import Plus from 'lucide-react-native/icons/plus';
import Tag from 'lucide-react-native/icons/tag';
import UserRound from 'lucide-react-native/icons/user-round';
import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import type { Corrections, NoteLinks } from '@slate-path/core/notes/links';
import type { NoteReading } from '@slate-path/core/notes/readNote';
import { displayName } from '@slate-path/core/people/names';
import { Chip } from '../../parts/Chip';
import { shortDay } from '../../parts/dates';
import { Words } from '../../parts/Words';
import { space } from '../../theme/tokens';
import { useRecords } from '../../sync/useRecords';
import { AddPanel, DoubtPanel, StudentPanel, TopicPanel } from './CorrectionPanels';
import { DatePanel } from './DatePanel';

interface UnderstoodProps {
  text: string;
  reading: NoteReading;
  links: NoteLinks;
  corrections: Corrections;
  onCorrect: (corrections: Partial<Corrections>) => void;
  /** More chips at the end of the row. */
  more?: ReactNode;
}

type Chosen =
  | { kind: 'student' | 'topic'; id: string }
  | { kind: 'doubt'; written: string }
  | { kind: 'date' | 'add' }
  | null;

/** Dates that were read and cannot be taken, in words. */
function remarks(text: string, { dates }: NoteReading): string[] {
  return dates.flatMap(({ from, to, kind }) => {
    const written = text.slice(from, to).trim();
    if (kind === 'impossible') return [`There is no ${written.replace(/^the /i, '')}; it stays as text.`];
    if (kind === 'unknown') return [`No day is known for “${written}”; it stays as text.`];
    if (kind === 'past' && /\d{4}|last year/i.test(written)) return [`${written} is over; it stays as text.`];
    return [];
  });
}

/** What was understood of a note, in chips; a tap on one sets it right. */
export default function Understood({ text, reading, links, corrections, onCorrect, more }: UnderstoodProps) {
  const [chosen, setChosen] = useState<Chosen>(null);
  const students = useRecords((state) => state.current.student);
  const topics = useRecords((state) => state.current.topic);
  const done = () => {
    setChosen(null);
  };
  const correct = (news: Partial<Corrections>) => {
    onCorrect(news);
    done();
  };
  const toggle = (next: NonNullable<Chosen>) => () => {
    setChosen((last) => (JSON.stringify(last) === JSON.stringify(next) ? null : next));
  };
  const isOpen = (next: NonNullable<Chosen>) => JSON.stringify(chosen) === JSON.stringify(next);
  const again = reading.dates.find(({ kind, date }) => kind === 'ahead' && date === links.lookAgainOn);
  const nameOf = (id: string) => {
    const student = students[id];
    return student ? displayName(student) : '';
  };
  return (
    <View style={{ gap: space(2) }} testID="understood">
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        {links.doubts.map(({ written }) => {
          const own = { kind: 'doubt' as const, written };
          const label = `Which ${written.charAt(0).toUpperCase()}${written.slice(1)}?`;
          return (
            <Chip
              key={written}
              icon={CircleHelp}
              tone="ochre"
              asks
              label={label}
              name={`${label} Not settled; tap to say who`}
              open={isOpen(own)}
              onPress={toggle(own)}
            />
          );
        })}
        {links.students.map(({ studentId }) => {
          const own = { kind: 'student' as const, id: studentId };
          return (
            <Chip
              key={studentId}
              icon={UserRound}
              label={nameOf(studentId)}
              name={`About ${nameOf(studentId)}; tap to correct`}
              open={isOpen(own)}
              onPress={toggle(own)}
            />
          );
        })}
        {links.topics.map(({ topicId }) => {
          const own = { kind: 'topic' as const, id: topicId };
          const name = topics[topicId]?.name ?? '';
          return (
            <Chip
              key={topicId}
              icon={Tag}
              tone={topics[topicId]?.trouble ? 'clay' : 'lichen'}
              label={name}
              name={`Topic ${name}; tap to correct`}
              open={isOpen(own)}
              onPress={toggle(own)}
            />
          );
        })}
        {links.lookAgainOn ? (
          <Chip
            icon={CalendarClock}
            tone="ochre"
            label={`Look again ${shortDay(links.lookAgainOn)}`}
            name={`Look again on ${shortDay(links.lookAgainOn)}; tap to correct`}
            open={isOpen({ kind: 'date' })}
            onPress={toggle({ kind: 'date' })}
          />
        ) : null}
        <Chip
          icon={Plus}
          tone="inkQuiet"
          label="Add"
          name="Add a student, a topic or a day"
          open={isOpen({ kind: 'add' })}
          onPress={toggle({ kind: 'add' })}
        />
        {more}
      </View>
      {again?.instead ? (
        <Words size="small" tone="inkQuiet">
          {`There is no school on ${shortDay(again.instead)}: the next day with it.`}
        </Words>
      ) : null}
      {remarks(text, reading).map((remark) => (
        <Words key={remark} size="small" tone="inkQuiet" live>
          {remark}
        </Words>
      ))}
      {chosen?.kind === 'doubt' ? (
        <DoubtPanel
          doubt={links.doubts.find(({ written }) => written === chosen.written)}
          corrections={corrections}
          onCorrect={correct}
        />
      ) : null}
      {chosen?.kind === 'student' ? (
        <StudentPanel
          key={chosen.id}
          text={text}
          studentId={chosen.id}
          reading={reading}
          corrections={corrections}
          onCorrect={correct}
        />
      ) : null}
      {chosen?.kind === 'topic' ? (
        <TopicPanel topicId={chosen.id} corrections={corrections} onCorrect={correct} />
      ) : null}
      {chosen?.kind === 'date' ? <DatePanel date={links.lookAgainOn} onCorrect={correct} /> : null}
      {chosen?.kind === 'add' ? (
        <AddPanel links={links} corrections={corrections} onCorrect={correct} />
      ) : null}
    </View>
  );
}

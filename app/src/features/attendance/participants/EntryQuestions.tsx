import { useState } from 'react';
import { View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import { personKey } from '@slate-path/core/attendance/participants/personKey';
import type { Student } from '@slate-path/core/records/schema';
import { Card } from '../../../parts/Card';
import { Choice } from '../../../parts/Choice';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import type { Answers } from './keptAnswers';

/** Somebody of a file whom nobody is sure of, as written on some of its lines. */
export interface Question {
  lines: { line: number; written: string; name: string; email: string; schoolId: string }[];
  candidates: string[];
  /** What is said of them where they stand on no lines. */
  said?: string;
}

interface EntryQuestionsProps {
  questions: readonly Question[];
  /** The class, in the order of names. */
  students: readonly Student[];
  answers: Answers;
  onAnswer: (entry: string, studentId: string | null | undefined) => void;
}

const open = 'open';
const nobody = 'nobody';
const another = 'another';

function EntryQuestion({
  question: { lines, candidates, said },
  students,
  answers,
  onAnswer,
}: Omit<EntryQuestionsProps, 'questions'> & { question: Question }) {
  const palette = usePalette();
  const [all, setAll] = useState(false);
  const [first] = lines;
  if (!first) return null;
  const key = personKey(first);
  const answer = answers.get(key);
  const value = answer === null ? nobody : (answer ?? open);
  const offered = students.filter(({ id }) => all || candidates.includes(id) || id === answer);
  const choose = (next: string) => {
    if (next === another) setAll(true);
    else onAnswer(key, next === nobody ? null : next === open ? undefined : next);
  };
  return (
    <View style={{ gap: space(2), paddingVertical: space(2), borderTopWidth: 1, borderColor: palette.line }}>
      <Words>
        <Words bold>{first.written}</Words>
        <Words
          size="small"
          tone="inkQuiet"
        >{`  ${said ?? `line ${lines.map(({ line }) => line).join(', ')}`}`}</Words>
      </Words>
      <Choice
        name={`Who ${first.written} is`}
        value={value}
        options={[
          ...offered.map((student) => ({ value: student.id, label: displayName(student) })),
          ...(all ? [] : [{ value: another, label: 'Somebody else' }]),
          { value: nobody, label: 'Nobody of this class' },
          { value: open, label: 'Leave open' },
        ]}
        onChange={choose}
      />
    </View>
  );
}

const keyOf = ({ lines: [first] }: Question) => (first ? `${first.line} ${personKey(first)}` : '');

/** Those on a list nobody is sure of: each is settled once, and remembered for the class. */
export default function EntryQuestions({ questions, ...rest }: EntryQuestionsProps) {
  if (questions.length === 0) return null;
  return (
    <Card style={{ gap: space(1) }}>
      <Words size="large" serif heading={2}>{`Who is this? ${questions.length}`}</Words>
      <Words tone="inkQuiet">
        Your answer is remembered for this class. What is left open is nobody here, and is asked again.
      </Words>
      {questions.map((question) => (
        <EntryQuestion key={keyOf(question)} question={question} {...rest} />
      ))}
    </Card>
  );
}

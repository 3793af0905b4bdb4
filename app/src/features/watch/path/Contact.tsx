import { View } from 'react-native';
import { listOf } from '@slate-path/core/records/records';
import type { Message, Student } from '@slate-path/core/records/schema';
import { Card } from '../../../parts/Card';
import { longDay } from '../../../parts/dates';
import { Words } from '../../../parts/Words';
import { useRecords } from '../../../sync/useRecords';
import { useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';

/** Where the student and the guardians are reached, and what was written to them. */
export function Contact({ student }: { student: Student }) {
  const wide = useWide();
  const current = useRecords((state) => state.current);
  const guardians = listOf(current, 'guardian').filter((g) => g.studentId === student.id);
  const messages = listOf(current, 'message').filter((m) => m.studentId === student.id);
  return (
    <View
      style={{
        flexDirection: wide ? 'row' : 'column',
        gap: space(4),
        alignItems: wide ? 'flex-start' : 'stretch',
      }}
    >
      <Card style={{ gap: space(2), flex: wide ? 1 : undefined }}>
        <Words bold heading={2}>
          Addresses
        </Words>
        <Words tone={student.email ? 'ink' : 'inkQuiet'}>
          {student.email || 'The student has no address here.'}
        </Words>
        {guardians.length === 0 ? <Words tone="inkQuiet">No guardian is known.</Words> : null}
        {guardians.map(({ id, name, relation, email, phone }) => (
          <View key={id}>
            <Words>{[name, relation].filter(Boolean).join(', ')}</Words>
            <Words tone="inkQuiet">{[email, phone].filter(Boolean).join(', ')}</Words>
          </View>
        ))}
      </Card>
      <Card style={{ gap: space(2), flex: wide ? 1 : undefined }}>
        <Words bold heading={2}>
          Written
        </Words>
        <Written messages={messages} />
      </Card>
    </View>
  );
}

/** When, to whom and why. */
function Written({ messages }: { messages: readonly Message[] }) {
  if (messages.length === 0)
    return <Words tone="inkQuiet">Nothing was written to the student or the guardians from here yet.</Words>;
  return messages
    .toSorted((a, b) => (a.writtenAt < b.writtenAt ? 1 : -1))
    .map(({ id, writtenAt, toWhom, reason, subject }) => (
      <Words key={id}>
        {`${longDay(writtenAt.slice(0, 10))}, to ${toWhom === 'student' ? 'the student' : 'the guardians'}: ${subject} (${reason})`}
      </Words>
    ));
}

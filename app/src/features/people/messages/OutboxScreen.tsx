import Download from 'lucide-react-native/icons/download';
import { useState } from 'react';
import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { addressOf } from '@slate-path/core/api/address';
import { localMoment } from '@slate-path/core/calendar/zone';
import { displayName } from '@slate-path/core/people/names';
import { groupBy } from '@slate-path/core/records/groupBy';
import { listOf } from '@slate-path/core/records/records';
import type { Message } from '@slate-path/core/records/schema';
import { Card } from '../../../parts/Card';
import { longDay } from '../../../parts/dates';
import { Empty } from '../../../parts/Empty';
import { Page } from '../../../parts/Page';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { rowHeight, space } from '../../../theme/tokens';
import { FileAction } from '../../../files/FileAction';
import { zoneOf } from '../../../sync/clock';
import { useAsking } from '../../../sync/useAsking';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';

function useZone(): string {
  return useRecords((state) => zoneOf(Object.values(state.current.school)[0]));
}

/** Everything that was written, newest first, by what was written in one go. */
export function OutboxScreen() {
  const palette = usePalette();
  const zone = useZone();
  const [open, setOpen] = useState<Message | null>(null);
  const { answer, state } = useView(addressOf('outbox'));
  const asking = useAsking();
  const current = useRecords((records) => records.current);
  const sentAt = new Map(answer?.deliveries.map(({ messageId, deliveredAt }) => [messageId, deliveredAt]));
  const invitations = answer?.invitations ?? [];
  const messages = listOf(current, 'message').sort((a, b) => (a.writtenAt < b.writtenAt ? 1 : -1));
  const notices = [...groupBy(messages, ({ noticeId }) => noticeId).values()];
  const nameOf = ({ studentId }: Message) => {
    const student = current.student[studentId];
    return student ? displayName(student) : 'somebody who is no longer here';
  };
  const stateOf = (message: Message) => {
    const at = sentAt.get(message.id);
    return at ? `sent ${localMoment(Date.parse(at), zone).time}` : 'waiting';
  };
  return (
    <Page
      title="Outbox"
      note="A mail server of our own stands in for a real one: it keeps each message as a file, and sends nothing out."
      back={{ to: '/desk', name: 'Back to the desk' }}
    >
      {messages.length > 0 || invitations.length > 0 ? null : state === 'loading' ? (
        <Words tone="inkQuiet">{asking}</Words>
      ) : (
        <Empty title="Nothing has been written yet">
          Open a lesson, then its menu, and write to those away; or write to a class from its page. What was
          written, to whom and when stands here and on each student’s path.
        </Empty>
      )}
      {invitations.length > 0 ? (
        <Card style={{ gap: space(2) }}>
          <Words size="large" serif heading={2}>
            Invitations
          </Words>
          {invitations.map(({ id, name, email, mailedAt }) => {
            const { date, time } = localMoment(Date.parse(mailedAt), zone);
            return <Words key={id}>{`${name}, ${email}: sent ${longDay(date)}, ${time}`}</Words>;
          })}
        </Card>
      ) : null}
      {notices.map((found) => {
        const [first] = found;
        if (!first) return null;
        const { date, time } = localMoment(Date.parse(first.writtenAt), zone);
        return (
          <Card key={first.noticeId} style={{ padding: 0 }}>
            <View style={{ padding: space(4), paddingBottom: space(2) }}>
              <Words size="large" serif heading={2}>
                {first.reason}
              </Words>
              <Words tone="inkQuiet">
                {`${longDay(date)}, ${time} · ${found.length} to ${first.toWhom === 'student' ? 'students' : 'guardians'}`}
              </Words>
            </View>
            {found.map((message) => (
              <TouchableRipple
                key={message.id}
                role="button"
                aria-label={`${nameOf(message)}: ${message.subject}, ${stateOf(message)}`}
                onPress={() => {
                  setOpen(message);
                }}
                style={{
                  minHeight: rowHeight,
                  justifyContent: 'center',
                  borderTopWidth: 1,
                  borderColor: palette.line,
                  paddingHorizontal: space(4),
                }}
              >
                <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(3) }}>
                  <View style={{ flex: 1 }}>
                    <Words lines={1}>{nameOf(message)}</Words>
                    <Words size="small" tone="inkQuiet" lines={1}>
                      {message.subject}
                    </Words>
                  </View>
                  <Words size="small" tone="inkQuiet" figures>
                    {stateOf(message)}
                  </Words>
                </View>
              </TouchableRipple>
            ))}
          </Card>
        );
      })}
      {open ? (
        <Sheet
          title={open.subject}
          note={`To ${open.addresses.join(', ')} · ${stateOf(open)}`}
          onClose={() => {
            setOpen(null);
          }}
        >
          <Words>{open.body}</Words>
          {sentAt.has(open.id) ? (
            <View style={{ alignItems: 'flex-start' }}>
              <FileAction
                label="Save as .eml"
                icon={Download}
                address={addressOf('messageFile', { messageId: open.id })}
              />
            </View>
          ) : null}
        </Sheet>
      ) : null}
    </Page>
  );
}

import Download from 'lucide-react-native/icons/download';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { localMoment } from '@slate-path/core/calendar/zone';
import { displayName } from '@slate-path/core/people/names';
import { groupBy } from '@slate-path/core/records/groupBy';
import { listOf } from '@slate-path/core/records/records';
import type { Message } from '@slate-path/core/records/schema';
import { many } from '@slate-path/core/words/many';
import { FileAction } from '../../../files/FileAction';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { longDay } from '../../../parts/dates';
import { Empty } from '../../../parts/Empty';
import { Page } from '../../../parts/Page';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { useAccount } from '../../../sync/account';
import { zoneOf } from '../../../sync/clock';
import { useAsking } from '../../../sync/useAsking';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';
import { LetterLine } from './LetterLine';
import { failedOf, type Letter, type Written } from './letters';
import { LetterSheet } from './LetterSheet';

/** A message that has not come to the server yet: there is no letter of it. */
const notThere = ({ id, addresses, writtenAt }: Message): Letter => ({
  ...{
    id,
    kind: 'message',
    aboutId: id,
    insteadOf: null,
    name: '',
    address: addresses.join(', '),
    state: 'waiting',
  },
  ...{ changedAt: writtenAt, words: 'waiting on this device', said: '' },
});

/** That nothing goes out, or that something did not arrive: said before all else. */
function HowItStands({ refused, isSent }: { refused: number; isSent: boolean }) {
  const router = useRouter();
  const isKeeper = useAccount((account) => account.isKeeper);
  if (isSent && refused === 0) return null;
  return (
    <Card style={{ gap: space(2) }}>
      {isSent ? null : (
        <>
          <Words bold heading={2}>
            Nothing is sent from here yet
          </Words>
          <Words>
            {`No mail server is set up: letters are kept, and go nowhere. Open a letter to send it from your own mail program${isKeeper ? ', or set up a mail server.' : '; the keeper of your school can set up a mail server.'}`}
          </Words>
          {isKeeper ? (
            <View style={{ alignItems: 'flex-start' }}>
              <Action
                label="Set up mail"
                kind="main"
                onPress={() => {
                  router.push('/desk/mail');
                }}
              />
            </View>
          ) : null}
        </>
      )}
      {refused > 0 ? (
        <Words tone="ember" live>
          {`${many(refused, 'letter')} did not arrive. Open ${refused === 1 ? 'it' : 'one'} to set the address right and send it again.`}
        </Words>
      ) : null}
    </Card>
  );
}

/** Everything that was written, newest first, by what was written in one go, with how each letter stands. */
export function OutboxScreen() {
  const zone = useRecords((state) => zoneOf(Object.values(state.current.school)[0]));
  const [openId, setOpen] = useState<string | null>(null);
  const { answer, state } = useView(addressOf('outbox'));
  const asking = useAsking();
  const current = useRecords((records) => records.current);
  const letters = answer?.letters ?? [];
  const failed = failedOf(letters);
  const byMessage = groupBy(letters, ({ aboutId }) => aboutId);
  const messages = listOf(current, 'message').sort((a, b) => (a.writtenAt < b.writtenAt ? 1 : -1));
  const notices = [...groupBy(messages, ({ noticeId }) => noticeId).values()];
  const links = letters.filter(({ kind }) => kind !== 'message').reverse();
  const writtenOf = (message: Message): Written[] =>
    (byMessage.get(message.id) ?? [notThere(message)]).map((letter) => ({ letter, message }));
  const all: Written[] = [
    ...messages.flatMap(writtenOf),
    ...links.map((letter) => ({ letter, message: null })),
  ];
  const open = all.find(({ letter }) => letter.id === openId);
  /** Where it goes stands there where one has to tell it from others, or to set it right. */
  const aboutOf = (letter: Letter, message: Message | null) => {
    const isOneOfSeveral = (byMessage.get(letter.aboutId)?.length ?? 1) > 1;
    const where = isOneOfSeveral || failed.has(letter.id) ? letter.address : '';
    return [where, message?.subject].filter(Boolean).join(' · ');
  };
  const nameOf = ({ studentId }: Message) => {
    const student = current.student[studentId];
    return student ? displayName(student) : 'somebody who is no longer here';
  };
  return (
    <Page title="Outbox" back={{ to: '/desk', name: 'Back to the desk' }}>
      {answer ? <HowItStands refused={failed.size} isSent={answer.isSent} /> : null}
      {messages.length > 0 || links.length > 0 ? null : state === 'loading' ? (
        <Words tone="inkQuiet">{asking}</Words>
      ) : (
        <Empty title="Nothing has been written yet">
          Open a lesson, then its menu, and write to those away; or write to a class from its page. What was
          written, to whom and when stands here and on each student’s path.
        </Empty>
      )}
      {links.length > 0 ? (
        <Card style={{ padding: 0 }}>
          <View style={{ padding: space(4), paddingBottom: space(2) }}>
            <Words size="large" serif heading={2}>
              Links
            </Words>
            <Words tone="inkQuiet">Invitations, and pages for readers</Words>
          </View>
          {links.map((letter) => (
            <LetterLine
              key={letter.id}
              name={letter.name}
              about={`${letter.kind === 'invitation' ? 'Invitation' : 'A page for a reader'}, to ${letter.address}`}
              letter={letter}
              hasFailed={failed.has(letter.id)}
              onOpen={() => {
                setOpen(letter.id);
              }}
            />
          ))}
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
              {found.some(({ id }) => byMessage.has(id)) ? (
                <View style={{ alignItems: 'flex-start' }}>
                  <FileAction
                    label="All as .eml in one file"
                    name={`All as .eml in one file: ${first.reason}`}
                    icon={Download}
                    address={addressOf('lettersFile', { noticeId: first.noticeId })}
                  />
                </View>
              ) : null}
            </View>
            {found.flatMap(writtenOf).map(({ letter, message }) => (
              <LetterLine
                key={letter.id}
                name={message ? nameOf(message) : letter.name}
                about={aboutOf(letter, message)}
                letter={letter}
                hasFailed={failed.has(letter.id)}
                onOpen={() => {
                  setOpen(letter.id);
                }}
              />
            ))}
          </Card>
        );
      })}
      {open ? (
        <LetterSheet
          {...open}
          onClose={() => {
            setOpen(null);
          }}
        />
      ) : null}
    </Page>
  );
}

import UserPlus from 'lucide-react-native/icons/user-plus';
import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { localMoment } from '@slate-path/core/calendar/zone';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { dayMonth } from '../../parts/dates';
import { lazily } from '../../parts/lazily';
import { Page } from '../../parts/Page';
import { Sheet } from '../../parts/Sheet';
import { Words } from '../../parts/Words';
import { useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { useTry } from '../../forms/useTry';
import { WhatWentWrong } from '../../forms/WhatWentWrong';
import { useAccount } from '../../sync/account';
import { post } from '../../sync/api';
import { zoneOf } from '../../sync/clock';
import { useRecords } from '../../sync/useRecords';
import { renewViews } from '../../sync/views';
import { nameOf, teachingWords, useColleagues, type Colleagues } from './colleagues';
import { MemberSheet } from './MemberSheet';

const InviteForm = lazily(() => import('./InviteForm'));

const ShareSheet = lazily(() => import('./ShareSheet'));

type Member = Colleagues['members'][number];

const roleWords: Record<Member['role'], string> = {
  teacher: 'Teacher',
  assistant: 'Assistant',
  reader: 'Reader',
};
const memberWords = ({ role, isKeeper }: Member) =>
  isKeeper ? `${roleWords[role]}, keeps the school` : roleWords[role];

function MembersCard({ colleagues, onInvite }: { colleagues: Colleagues; onInvite: () => void }) {
  const { isKeeper, teacherId } = useAccount();
  const [opened, setOpened] = useState<Member | null>(null);
  return (
    <Card style={{ gap: space(3) }}>
      <Words size="large" serif heading={2}>
        {colleagues.schoolName}
      </Words>
      {colleagues.members.map((member) => (
        <View key={member.id} style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
          <View style={{ flex: 1 }}>
            <Words bold={member.id === teacherId}>
              {member.id === teacherId ? `${member.name}, you` : member.name}
            </Words>
            <Words size="small" tone="inkQuiet">
              {memberWords(member)}
            </Words>
          </View>
          {isKeeper && member.id !== teacherId ? (
            <Action
              label="Change"
              name={`Change what ${member.name} is`}
              onPress={() => {
                setOpened(member);
              }}
            />
          ) : null}
        </View>
      ))}
      {isKeeper ? (
        <View style={{ alignItems: 'flex-start' }}>
          <Action label="Invite a colleague" icon={UserPlus} kind="main" onPress={onInvite} />
        </View>
      ) : (
        <Words size="small" tone="inkQuiet">
          {`${colleagues.members
            .filter((member) => member.isKeeper)
            .map(({ name }) => name)
            .join(' and ')} keeps the school: terms, days off, attendance kinds, backups and invitations.`}
        </Words>
      )}
      {opened ? (
        <MemberSheet
          colleagues={colleagues}
          member={opened}
          onClose={() => {
            setOpened(null);
          }}
        />
      ) : null}
    </Card>
  );
}

function InvitationsCard({ colleagues }: { colleagues: Colleagues }) {
  const zone = useRecords((state) => zoneOf(Object.values(state.current.school)[0]));
  const [run, problem, busy] = useTry();
  if (colleagues.invitations.length === 0) return null;
  return (
    <Card style={{ gap: space(3) }}>
      <Words size="large" serif heading={2}>
        Invited, not here yet
      </Words>
      {colleagues.invitations.map(({ id, name, sectionId, letter, expiresAt }) => {
        const into = colleagues.classes.find((one) => one.id === sectionId)?.name;
        const until = dayMonth(localMoment(Date.parse(expiresAt), zone).date);
        return (
          <View key={id} style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
            <View style={{ flex: 1 }}>
              <Words>{name}</Words>
              <Words size="small" tone="inkQuiet">
                {[
                  into && `to ${into}`,
                  letter && `the letter to ${letter.address}: ${letter.words}`,
                  `until ${until}`,
                ]
                  .filter(Boolean)
                  .join(', ')}
              </Words>
            </View>
            <Action
              label="Take back"
              name={`Take back the invitation of ${name}`}
              disabled={busy}
              onPress={() => {
                run(async () => {
                  await post(addressOf('endInvitation', { invitationId: id }));
                  renewViews();
                });
              }}
            />
          </View>
        );
      })}
      <WhatWentWrong problem={problem} />
    </Card>
  );
}

function ClassesCard({ colleagues }: { colleagues: Colleagues }) {
  const { isKeeper, teacherId } = useAccount();
  const [opened, setOpened] = useState<{ id: string; name: string } | null>(null);
  if (colleagues.classes.length === 0) return null;
  const mayShare = (sectionId: string) =>
    isKeeper ||
    colleagues.teachings.some(
      (one) => one.sectionId === sectionId && one.personId === teacherId && one.role === 'teacher',
    );
  return (
    <Card style={{ gap: space(3) }}>
      <Words size="large" serif heading={2}>
        Who has which class
      </Words>
      {colleagues.classes.map((one) => (
        <View key={one.id} style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
          <View style={{ flex: 1 }}>
            <Words>{one.name}</Words>
            <Words size="small" tone="inkQuiet">
              {colleagues.teachings
                .filter(({ sectionId }) => sectionId === one.id)
                .map((teaching) => `${nameOf(colleagues, teaching.personId)} ${teachingWords(teaching)}`)
                .join(', ')}
            </Words>
          </View>
          {mayShare(one.id) ? (
            <Action
              label="Share"
              name={`Share ${one.name}`}
              onPress={() => {
                setOpened(one);
              }}
            />
          ) : null}
        </View>
      ))}
      {opened ? (
        <ShareSheet
          sectionId={opened.id}
          name={opened.name}
          onClose={() => {
            setOpened(null);
          }}
        />
      ) : null}
    </Card>
  );
}

/** Who belongs to the school, who is invited, and who has which class. */
export function ColleaguesScreen() {
  const wide = useWide();
  const colleagues = useColleagues();
  const [inviting, setInviting] = useState(false);
  if (!colleagues)
    return (
      <Page title="Colleagues" back={{ to: '/desk', name: 'Back to Desk' }}>
        <Words>Colleagues are seen and changed with the server only. Try again when it can be reached.</Words>
      </Page>
    );
  const invite = () => {
    setInviting(true);
  };
  return (
    <Page
      title="Colleagues"
      note="Who shares a class sees what belongs to it; own notes stay with whoever wrote them"
      back={{ to: '/desk', name: 'Back to Desk' }}
    >
      <View
        style={{
          flexDirection: wide ? 'row' : 'column',
          gap: space(4),
          alignItems: wide ? 'flex-start' : 'stretch',
        }}
      >
        <View style={{ flex: wide ? 1 : undefined, gap: space(4) }}>
          <MembersCard colleagues={colleagues} onInvite={invite} />
          <InvitationsCard colleagues={colleagues} />
        </View>
        <View style={{ flex: wide ? 1 : undefined }}>
          <ClassesCard colleagues={colleagues} />
        </View>
      </View>
      {inviting ? (
        <Sheet
          title="Invite a colleague"
          onClose={() => {
            setInviting(false);
          }}
        >
          <InviteForm sectionId={null} />
        </Sheet>
      ) : null}
    </Page>
  );
}

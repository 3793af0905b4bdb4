import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { Action } from '../../parts/Action';
import { Choice } from '../../parts/Choice';
import { DateField } from '../../parts/DateField';
import { Sheet } from '../../parts/Sheet';
import { lazily } from '../../parts/lazily';
import { Words } from '../../parts/Words';
import { space } from '../../theme/tokens';
import { errorsOf, useTry } from '../../forms/useTry';
import { WhatWentWrong } from '../../forms/WhatWentWrong';
import { readDate } from '../../forms/readDate';
import { useAccount } from '../../sync/account';
import { post } from '../../sync/api';
import { useNow } from '../../sync/clock';
import { renewViews } from '../../sync/views';
import {
  nameOf,
  teachingWords,
  useColleagues,
  type ClassRole,
  type Colleagues,
  type Teaching,
} from './colleagues';

const InviteForm = lazily(() => import('./InviteForm'));

const roles: { value: ClassRole; label: string }[] = [
  { value: 'teacher', label: 'Teaches it too' },
  { value: 'assistant', label: 'Assists' },
  { value: 'cover', label: 'Covers it' },
];

/** What a colleague can do in the class, said before it is shared. */
const meaning: Record<ClassRole, string> = {
  teacher:
    'Sees and changes all of the class: roll, tallies, notes, path and watch list. Your own notes stay yours.',
  assistant: 'Takes the roll, tallies and sweeps. Sees no notes but their own, and no watch list.',
  cover: 'The same as an assistant, from the first day to the last; then it ends by itself.',
};

function TeachingRow({
  colleagues,
  teaching,
  onEnd,
  busy,
}: {
  colleagues: Colleagues;
  teaching: Teaching;
  /** Null where it cannot end: somebody has to teach the class. */
  onEnd: (() => void) | null;
  busy: boolean;
}) {
  const myId = useAccount(({ teacherId }) => teacherId);
  const isMe = teaching.personId === myId;
  const name = nameOf(colleagues, teaching.personId);
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
      <View style={{ flex: 1 }}>
        <Words bold={isMe}>{isMe ? `${name}, you` : name}</Words>
        <Words size="small" tone="inkQuiet">
          {teachingWords(teaching)}
        </Words>
      </View>
      {onEnd ? (
        <Action
          label={isMe ? 'Leave' : 'End'}
          name={isMe ? 'Leave this class' : `End what ${name} is in this class`}
          onPress={onEnd}
          disabled={busy}
        />
      ) : null}
    </View>
  );
}

function ShareForm({ sectionId, colleagues }: { sectionId: string; colleagues: Colleagues }) {
  const now = useNow();
  const myId = useAccount(({ teacherId }) => teacherId);
  const here = new Set(
    colleagues.teachings.filter((one) => one.sectionId === sectionId).map(({ personId }) => personId),
  );
  const others = colleagues.members.filter(
    ({ id, role: at }) => id !== myId && at !== 'reader' && !here.has(id),
  );
  const [personId, setPersonId] = useState('');
  const [wanted, setRole] = useState<ClassRole>('teacher');
  const [from, setFrom] = useState(now.date);
  const [to, setTo] = useState(now.date);
  const [run, problem, busy] = useTry();
  const errors = errorsOf(problem);
  const chosen = others.find(({ id }) => id === personId);
  const offered = roles.filter(({ value }) => value !== 'teacher' || chosen?.role !== 'assistant');
  const role = offered.some(({ value }) => value === wanted) ? wanted : 'assistant';
  const share = () => {
    run(async () => {
      const days =
        role === 'cover'
          ? { startsOn: readDate(from), endsOn: readDate(to) }
          : { startsOn: null, endsOn: null };
      await post(addressOf('share', { sectionId }), { personId, role, ...days });
      setPersonId('');
      renewViews();
    });
  };
  if (others.length === 0) return null;
  return (
    <View style={{ gap: space(3) }}>
      <Words heading={3} bold>
        Share it with a colleague
      </Words>
      <Choice
        name="With whom"
        value={personId}
        options={others.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={setPersonId}
      />
      {chosen ? (
        <>
          <Choice name="As what" value={role} options={offered} onChange={setRole} />
          <Words size="small" tone="inkQuiet">
            {meaning[role]}
          </Words>
          {role === 'cover' ? (
            <>
              <DateField label="First day" value={from} onChange={setFrom} error={errors.of('startsOn')} />
              <DateField label="Last day" value={to} onChange={setTo} error={errors.of('endsOn')} />
            </>
          ) : null}
          {errors.whole ? (
            <Words tone="ember" live>
              {errors.whole}
            </Words>
          ) : null}
          <View style={{ alignItems: 'flex-start' }}>
            <Action label={`Share with ${chosen.name}`} kind="main" onPress={share} disabled={busy} />
          </View>
        </>
      ) : null}
    </View>
  );
}

/** Who is what in a class: colleagues come, go, and stand in for some days. */
export default function ShareSheet({
  sectionId,
  name,
  onClose,
}: {
  sectionId: string;
  name: string;
  onClose: () => void;
}) {
  const colleagues = useColleagues();
  const isKeeper = useAccount((account) => account.isKeeper);
  const [run, problem, busy] = useTry();
  const [inviting, setInviting] = useState(false);
  const end = ({ id }: Teaching) => {
    run(async () => {
      await post(addressOf('endShare', { teachingId: id }));
      renewViews();
    });
  };
  if (!colleagues)
    return (
      <Sheet title={`Colleagues in ${name}`} onClose={onClose}>
        <Words>This can be seen and changed with the server only. Try again when it can be reached.</Words>
      </Sheet>
    );
  const here = colleagues.teachings.filter((one) => one.sectionId === sectionId);
  const teachers = here.filter(({ role }) => role === 'teacher');
  return (
    <Sheet title={`Colleagues in ${name}`} onClose={onClose}>
      {here.map((teaching) => (
        <TeachingRow
          key={teaching.id}
          colleagues={colleagues}
          teaching={teaching}
          busy={busy}
          onEnd={
            teaching.role === 'teacher' && teachers.length < 2
              ? null
              : () => {
                  end(teaching);
                }
          }
        />
      ))}
      <WhatWentWrong problem={problem} />
      <ShareForm sectionId={sectionId} colleagues={colleagues} />
      {isKeeper && !inviting ? (
        <View style={{ alignItems: 'flex-start' }}>
          <Action
            label="Invite somebody new"
            onPress={() => {
              setInviting(true);
            }}
          />
        </View>
      ) : null}
      {inviting ? (
        <View style={{ gap: space(3) }}>
          <Words heading={3} bold>
            Invite somebody new to it
          </Words>
          <InviteForm sectionId={sectionId} />
        </View>
      ) : null}
      {!isKeeper && colleagues.members.length < 2 ? (
        <Words tone="inkQuiet">The keeper of the school invites colleagues.</Words>
      ) : null}
    </Sheet>
  );
}

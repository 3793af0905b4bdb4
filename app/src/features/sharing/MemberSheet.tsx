import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { Action } from '../../parts/Action';
import { Choice } from '../../parts/Choice';
import { Sheet } from '../../parts/Sheet';
import { Words } from '../../parts/Words';
import { space } from '../../theme/tokens';
import { useTry } from '../../forms/useTry';
import { WhatWentWrong } from '../../forms/WhatWentWrong';
import { post } from '../../sync/api';
import { renewViews } from '../../sync/views';
import type { Colleagues } from './colleagues';

type Member = Colleagues['members'][number];
type Standing = Member['role'] | 'keeper';

const options: { value: Standing; label: string }[] = [
  { value: 'teacher', label: 'Teacher' },
  { value: 'assistant', label: 'Assistant' },
  { value: 'reader', label: 'Reader' },
  { value: 'keeper', label: 'Keeper too' },
];

/** Classes that would have no teacher without somebody. */
function lastIn({ classes, teachings }: Colleagues, personId: string): string[] {
  return classes
    .filter(({ id }) => {
      const teachers = teachings.filter(({ sectionId, role }) => sectionId === id && role === 'teacher');
      return teachers.length > 0 && teachers.every((one) => one.personId === personId);
    })
    .map(({ name }) => name);
}

/** What a colleague is at the school, and how they leave it. */
export function MemberSheet({
  colleagues,
  member,
  onClose,
}: {
  colleagues: Colleagues;
  member: Member;
  onClose: () => void;
}) {
  const [handTo, setHandTo] = useState('');
  const [leaving, setLeaving] = useState(false);
  const [run, problem, busy] = useTry();
  const standing: Standing = member.isKeeper ? 'keeper' : member.role;
  const alone = lastIn(colleagues, member.id);
  const others = colleagues.members.filter(({ id, role }) => id !== member.id && role === 'teacher');
  const set = (value: Standing) => {
    run(async () => {
      const role = value === 'keeper' ? ('teacher' as const) : value;
      await post(addressOf('setMember', { personId: member.id }), { role, isKeeper: value === 'keeper' });
      renewViews();
      onClose();
    });
  };
  const leave = () => {
    run(async () => {
      await post(addressOf('endMembership', { personId: member.id }), { handTo: handTo || null });
      renewViews();
      onClose();
    });
  };
  return (
    <Sheet title={member.name} onClose={onClose}>
      <Choice name="What they are" value={standing} options={options} onChange={set} />
      <Words size="small" tone="inkQuiet">
        A keeper invites colleagues, makes backups, erases, and sees who has which class; not what is written
        in it. A reader has no classes, and reads the paths that are given to them.
      </Words>
      {leaving ? (
        <View style={{ gap: space(3) }}>
          <Words>
            {`${member.name} is signed out everywhere and sees nothing of the school any more. What belongs to classes stays there; their own notes go with nobody.`}
          </Words>
          {alone.length > 0 ? (
            <>
              <Words>{`Who takes over ${alone.join(', ')}?`}</Words>
              <Choice
                name="Who takes over"
                value={handTo}
                options={others.map(({ id, name }) => ({ value: id, label: name }))}
                onChange={setHandTo}
              />
            </>
          ) : null}
          <Action
            label={`${member.name} leaves the school`}
            kind="main"
            onPress={leave}
            disabled={busy || (alone.length > 0 && !handTo)}
          />
        </View>
      ) : (
        <View style={{ alignItems: 'flex-start' }}>
          <Action
            label="They leave the school"
            onPress={() => {
              setLeaving(true);
            }}
          />
        </View>
      )}
      <WhatWentWrong problem={problem} />
    </Sheet>
  );
}

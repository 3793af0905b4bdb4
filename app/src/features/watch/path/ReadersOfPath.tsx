import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { displayName } from '@slate-path/core/people/names';
import type { Student } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { Choice } from '../../../parts/Choice';
import { dayMonth } from '../../../parts/dates';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { useTry } from '../../../forms/useTry';
import { WhatWentWrong } from '../../../forms/WhatWentWrong';
import { useColleagues, type Colleagues } from '../../sharing/colleagues';
import { useAccount } from '../../../sync/account';
import { post } from '../../../sync/api';
import { renewViews, useView } from '../../../sync/views';

/** Who may be given a path: readers first, then teachers. */
function mayRead({ members }: Colleagues, myId: string, has: ReadonlySet<string>): Colleagues['members'] {
  return members
    .filter(({ id, role }) => id !== myId && role !== 'assistant' && !has.has(id))
    .toSorted((a, b) => Number(b.role === 'reader') - Number(a.role === 'reader'));
}

/** To whom the whole path of a student is given. */
export function ReadersOfPath({ student }: { student: Student }) {
  const myId = useAccount(({ teacherId }) => teacherId);
  const colleagues = useColleagues();
  const { answer } = useView(addressOf('grantsOfPath', { studentId: student.id }));
  const [giving, setGiving] = useState(false);
  const [run, problem, busy] = useTry();
  if (!colleagues || !answer) return null;
  const { grants } = answer;
  const others = mayRead(colleagues, myId, new Set(grants.map(({ personId }) => personId)));
  return (
    <Card style={{ gap: space(2) }}>
      <Words bold heading={2}>
        Who else reads the whole path
      </Words>
      {grants.length === 0 ? (
        <Words tone="inkQuiet">
          {others.length > 0
            ? 'Nobody. Whoever it is given to reads all of it, also of colleagues’ classes.'
            : 'Nobody, and the school has nobody yet to whom it could be given: readers and teachers are invited at the desk, under Colleagues.'}
        </Words>
      ) : null}
      {grants.map(({ id, name, grantedBy, since }) => (
        <View key={id} style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
          <Words tone="inkQuiet" style={{ flex: 1 }}>
            {`${name}, given by ${grantedBy} on ${dayMonth(since.slice(0, 10))}`}
          </Words>
          <Action
            label="Take back"
            name={`Take the path back from ${name}`}
            disabled={busy}
            onPress={() => {
              run(async () => {
                await post(addressOf('endGrant', { grantId: id }));
                renewViews();
              });
            }}
          />
        </View>
      ))}
      <WhatWentWrong problem={problem} />
      {others.length > 0 ? (
        <View style={{ alignItems: 'flex-start' }}>
          <Action
            label="Give it to somebody"
            name={`Give the path of ${displayName(student)} to somebody`}
            onPress={() => {
              setGiving(true);
            }}
          />
        </View>
      ) : null}
      {giving ? (
        <GiveSheet
          student={student}
          others={others}
          onClose={() => {
            setGiving(false);
          }}
        />
      ) : null}
    </Card>
  );
}

function GiveSheet({
  student,
  others,
  onClose,
}: {
  student: Student;
  others: Colleagues['members'];
  onClose: () => void;
}) {
  const [personId, setPersonId] = useState('');
  const [run, problem, busy] = useTry();
  const chosen = others.find(({ id }) => id === personId);
  return (
    <Sheet title={`The path of ${displayName(student)}`} onClose={onClose}>
      <Words>
        Whoever has it reads all of it, also of colleagues’ classes: attendance, tallies, engagement, work,
        steps, and the notes that belong to the classes. Nobody’s own notes; other students by their initials.
        Every teacher of the student sees who has it, and can take it back.
      </Words>
      <Choice
        name="To whom"
        value={personId}
        options={others.map(({ id, name, role }) => ({
          value: id,
          label: role === 'reader' ? `${name}, reader` : name,
        }))}
        onChange={setPersonId}
      />
      <WhatWentWrong problem={problem} />
      <View style={{ alignItems: 'flex-start' }}>
        <Action
          label={chosen ? `Give it to ${chosen.name}` : 'Give it'}
          kind="main"
          disabled={busy || !chosen}
          onPress={() => {
            run(async () => {
              await post(addressOf('grantPath', { studentId: student.id }), { personId });
              renewViews();
              onClose();
            });
          }}
        />
      </View>
    </Sheet>
  );
}

import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { readTime } from '@slate-path/core/calendar/readTime';
import type { NodTelling } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { Field } from '../../parts/Field';
import { SeveralOf } from '../../parts/SeveralOf';
import { Sheet } from '../../parts/Sheet';
import { forgetTyped } from '../../parts/typed';
import { Words } from '../../parts/Words';
import { makeChange } from '../../sync/outbox';
import { useRecords } from '../../sync/useRecords';
import { useView } from '../../sync/views';
import { space } from '../../theme/tokens';
import { nodsHistory } from './giving';

type Told = 'student' | 'guardians';

/** To whom nods are told, in words. */
export function tellingWords(telling: NodTelling | undefined): string {
  const { toStudents = false, toGuardians = false, removed = false } = telling ?? {};
  if (removed || (!toStudents && !toGuardians)) return 'Nobody is told';
  const whom =
    toStudents && toGuardians ? 'The student and home are' : toStudents ? 'The student is' : 'Home is';
  return `${whom} told a minute later`;
}

const wrongTime = 'A time looks like 20:00';

/** To whom the nods of a class are told by themselves, and when not. */
export function TellingSheet({ sectionId, onClose }: { sectionId: string; onClose: () => void }) {
  const telling = useRecords(({ current }) => current.nodTelling[sectionId]);
  const [told, setTold] = useState<ReadonlySet<Told>>(
    new Set<Told>([
      ...(telling?.toStudents ? (['student'] as const) : []),
      ...(telling?.toGuardians ? (['guardians'] as const) : []),
    ]),
  );
  const [from, setFrom] = useState(telling ? (telling.quietFrom ?? '') : '20:00');
  const [until, setUntil] = useState(telling ? (telling.quietUntil ?? '') : '07:00');
  const { answer } = useView(addressOf('outbox'));
  const form = `nods told ${sectionId}`;
  const times = [readTime(from), readTime(until)];
  const isHalf = (times[0] === null) !== (times[1] === null);
  const isWrong = times.includes(undefined) || isHalf;
  const keep = () => {
    const [quietFrom = null, quietUntil = null] = times;
    makeChange(
      'nodTelling.set',
      {
        ...{ sectionId, toStudents: told.has('student'), toGuardians: told.has('guardians') },
        ...{ quietFrom, quietUntil },
      },
      nodsHistory,
    );
    forgetTyped(form);
    onClose();
  };
  return (
    <Sheet
      title="Whom nods are told to"
      note="By mail, a minute after the tap: until then it can be taken back"
      about={form}
      onClose={onClose}
    >
      <SeveralOf<Told>
        name="Who is told"
        values={told}
        options={[
          { value: 'student', label: 'The student' },
          { value: 'guardians', label: 'Up to two guardians' },
        ]}
        onChange={setTold}
      />
      {answer?.isSent === false ? (
        <Words tone="inkQuiet">
          No mail server is set up: letters are kept in the outbox, and go nowhere. Open them there in your
          mail program.
        </Words>
      ) : null}
      <Words bold>Quiet hours</Words>
      <Words tone="inkQuiet">Nothing goes out in them; it goes at their end. Empty: there are none.</Words>
      <View style={{ flexDirection: 'row', gap: space(3), flexWrap: 'wrap' }}>
        <Field
          label="From"
          value={from}
          onChange={setFrom}
          width={120}
          error={times[0] === undefined ? wrongTime : undefined}
        />
        <Field
          label="Until"
          value={until}
          onChange={setUntil}
          width={120}
          error={times[1] === undefined ? wrongTime : isHalf ? 'Both, or none' : undefined}
        />
      </View>
      <Action label="Keep" kind="main" disabled={isWrong} onPress={keep} />
    </Sheet>
  );
}

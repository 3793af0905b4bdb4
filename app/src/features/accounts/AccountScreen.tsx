import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { addressOf, type Address } from '@slate-path/core/api/address';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { localMoment } from '@slate-path/core/calendar/zone';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { dayMonth } from '../../parts/dates';
import { Field } from '../../parts/Field';
import { Page } from '../../parts/Page';
import { Words } from '../../parts/Words';
import { useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { useAccount } from '../../sync/account';
import { ApiProblem, ask, post } from '../../sync/api';
import { useNow, zoneOf } from '../../sync/clock';
import { useRecords } from '../../sync/useRecords';
import { errorsOf, useTry } from '../../forms/useTry';
import { WhatWentWrong } from '../../forms/WhatWentWrong';

type Sessions = AnswerOf<'sessions'>;
type Session = Sessions['sessions'][number];

const askSessions = () => ask(addressOf('sessions'));

/** Changes the passphrase; whoever is signed in elsewhere has to know the new one. */
function PassphraseCard({ onChanged }: { onChanged: () => void }) {
  const [current, setCurrent] = useState('');
  const [next, setNext] = useState('');
  const [done, setDone] = useState(false);
  const [run, problem, busy] = useTry();
  const errors = errorsOf(problem);
  const change = () => {
    setDone(false);
    run(async () => {
      await post(addressOf('changePassphrase'), { current, passphrase: next });
      setCurrent('');
      setNext('');
      setDone(true);
      onChanged();
    });
  };
  return (
    <Card style={{ gap: space(3) }}>
      <Words size="large" serif heading={2}>
        Passphrase
      </Words>
      <Field
        label="Passphrase until now"
        value={current}
        onChange={setCurrent}
        secret
        error={errors.of('current')}
      />
      <Field
        label="New passphrase"
        value={next}
        onChange={setNext}
        secret
        error={errors.of('passphrase')}
        hint="At least 10 characters; a few words you can remember are best"
        onSubmit={change}
      />
      {errors.whole ? (
        <Words tone="ember" live>
          {errors.whole}
        </Words>
      ) : null}
      {done ? (
        <Words live>The new passphrase counts from now. All other devices are signed out.</Words>
      ) : null}
      <View style={{ alignItems: 'flex-start' }}>
        <Action label="Change the passphrase" onPress={change} disabled={busy || !current || !next} />
      </View>
    </Card>
  );
}

/** A code on paper, for the day on which the passphrase is forgotten. */
function RecoveryCard({ hasCode, onMade }: { hasCode: boolean; onMade: () => void }) {
  const [asking, setAsking] = useState(false);
  const [current, setCurrent] = useState('');
  const [code, setCode] = useState<string | null>(null);
  const [run, problem, busy] = useTry();
  const errors = errorsOf(problem);
  const make = () => {
    run(async () => {
      const made = await post(addressOf('makeRecoveryCode'), { current });
      setCode(made.code);
      setCurrent('');
      setAsking(false);
      onMade();
    });
  };
  return (
    <Card style={{ gap: space(3) }}>
      <Words size="large" serif heading={2}>
        Recovery code
      </Words>
      <Words tone="inkQuiet">
        If you forget the passphrase, this code sets a new one, once. Write it on paper and keep it where the
        phone is not.
      </Words>
      {code ? (
        <>
          <Words bold figures>
            {code}
          </Words>
          <Words live>It is shown only now. A code made before does not count any more.</Words>
        </>
      ) : (
        <Words>{hasCode ? 'You have a code.' : 'You have no code yet.'}</Words>
      )}
      {asking ? (
        <>
          <Field
            label="Your passphrase"
            value={current}
            onChange={setCurrent}
            secret
            error={errors.of('current') ?? errors.whole ?? undefined}
            onSubmit={make}
          />
          <View style={{ alignItems: 'flex-start' }}>
            <Action label="Show the code" kind="main" onPress={make} disabled={busy || !current} />
          </View>
        </>
      ) : (
        <View style={{ alignItems: 'flex-start' }}>
          <Action
            label={hasCode ? 'Make another code' : 'Make a code'}
            onPress={() => {
              setCode(null);
              setAsking(true);
            }}
          />
        </View>
      )}
    </Card>
  );
}

function SessionRow({ session, onEnd }: { session: Session; onEnd: () => void }) {
  const now = useNow();
  const zone = useRecords((state) => zoneOf(Object.values(state.current.school)[0]));
  const { device, usedAt, createdAt, isThis } = session;
  const name = device || 'A device that does not say what it is';
  const day = (at: string) => localMoment(Date.parse(at), zone).date;
  const used = day(usedAt) === now.date ? 'today' : dayMonth(day(usedAt));
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
      <View style={{ flex: 1 }}>
        <Words bold={isThis}>{isThis ? `${name}, this device` : name}</Words>
        <Words size="small" tone="inkQuiet" figures>
          {`Used ${used}, signed in ${dayMonth(day(createdAt))}`}
        </Words>
      </View>
      {isThis ? null : <Action label="Sign out" name={`Sign out ${name}, used ${used}`} onPress={onEnd} />}
    </View>
  );
}

/** Where the teacher is signed in; a lost phone is signed out from here. */
function DevicesCard({ sessions, onChanged }: { sessions: Session[]; onChanged: () => void }) {
  const [run, problem] = useTry();
  const others = sessions.filter(({ isThis }) => !isThis);
  const end = (address: Address<'endSession' | 'endOtherSessions'>) => {
    run(async () => {
      await post(address);
      onChanged();
    });
  };
  return (
    <Card style={{ gap: space(3) }}>
      <Words size="large" serif heading={2}>
        Signed in
      </Words>
      <Words tone="inkQuiet">
        A device that is not used for a week is signed out by itself. One that you sign out here forgets the
        records when it next reaches the server.
      </Words>
      {sessions.map((session) => (
        <SessionRow
          key={session.id}
          session={session}
          onEnd={() => {
            end(addressOf('endSession', { sessionId: session.id }));
          }}
        />
      ))}
      <WhatWentWrong problem={problem} />
      {others.length > 1 ? (
        <View style={{ alignItems: 'flex-start' }}>
          <Action
            label="Sign out all others"
            onPress={() => {
              end(addressOf('endOtherSessions'));
            }}
          />
        </View>
      ) : null}
    </Card>
  );
}

/** What keeps others out: passphrase, recovery code, and the devices that are signed in. */
export function AccountScreen() {
  const wide = useWide();
  const teacherName = useAccount((state) => state.teacherName);
  const [answer, setAnswer] = useState<Sessions | null>(null);
  const [problem, setProblem] = useState('');
  const renew = () => {
    askSessions().then(setAnswer, (error: unknown) => {
      if (!(error instanceof ApiProblem)) throw error;
      setProblem(error.status === 0 ? 'This page needs the server, and it does not answer.' : error.detail);
    });
  };
  useEffect(renew, []);
  const cards = answer ? (
    <>
      <View style={{ flex: wide ? 1 : undefined, gap: space(4) }}>
        <DevicesCard sessions={answer.sessions} onChanged={renew} />
        <RecoveryCard hasCode={answer.hasRecoveryCode} onMade={renew} />
      </View>
      <View style={{ flex: wide ? 1 : undefined }}>
        <PassphraseCard onChanged={renew} />
      </View>
    </>
  ) : null;
  return (
    <Page title="Your account" note={`Signed in as ${teacherName}`} back={{ to: '/desk', name: 'Desk' }}>
      {problem ? (
        <Words tone="ember" live>
          {problem}
        </Words>
      ) : null}
      <View
        style={{
          flexDirection: wide ? 'row' : 'column',
          gap: space(4),
          alignItems: wide ? 'flex-start' : 'stretch',
        }}
      >
        {cards}
      </View>
    </Page>
  );
}

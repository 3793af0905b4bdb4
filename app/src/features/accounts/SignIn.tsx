import { useState, type ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { Action } from '../../parts/Action';
import { Field } from '../../parts/Field';
import { useTabTitle } from '../../parts/useTabTitle';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { ApiProblem } from '../records/api';
import { firstStart, signIn } from '../records/account';

function Welcome({ title, children }: { title: string; children: ReactNode }) {
  const palette = usePalette();
  useTabTitle(title);
  return (
    <ScrollView
      style={{ flex: 1, backgroundColor: palette.ground }}
      contentContainerStyle={{
        padding: space(6),
        paddingTop: space(14),
        gap: space(4),
        maxWidth: 480,
        width: '100%',
        alignSelf: 'center',
      }}
    >
      <Words tone="inkQuiet">Slate Path</Words>
      <Words size="title" serif heading={1}>
        {title}
      </Words>
      {children}
    </ScrollView>
  );
}

/** Runs what a button starts, with the sentence of what went wrong, if anything. */
function useTry(): [run: (work: () => Promise<void>) => void, problem: ApiProblem | null, busy: boolean] {
  const [problem, setProblem] = useState<ApiProblem | null>(null);
  const [busy, setBusy] = useState(false);
  const run = (work: () => Promise<void>) => {
    setBusy(true);
    setProblem(null);
    work()
      .catch((error: unknown) => {
        setProblem(
          error instanceof ApiProblem ? error : new ApiProblem(0, 'Something broke here. Try again.'),
        );
      })
      .finally(() => {
        setBusy(false);
      });
  };
  return [run, problem, busy];
}

/** The first page of a new installation: who are you, and what keeps others out. */
export function FirstStart() {
  const [name, setName] = useState('');
  const [passphrase, setPassphrase] = useState('');
  const [school, setSchool] = useState('');
  const [run, problem, busy] = useTry();
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const errorOf = (field: string) => problem?.errors.find((error) => error.field === field)?.message;
  const begin = () => {
    run(() => firstStart(name, passphrase, { name: school, zone }));
  };
  return (
    <Welcome title="Begin here">
      <Words>
        Your name and a passphrase, and you are in. There is nothing else to set up before the first lesson.
      </Words>
      <Field label="Your name" value={name} onChange={setName} error={errorOf('name')} />
      <Field
        label="School (may stay empty)"
        value={school}
        onChange={setSchool}
        hint={`Clocks as in ${zone}`}
      />
      <Field
        label="Passphrase"
        value={passphrase}
        onChange={setPassphrase}
        secret
        error={errorOf('passphrase')}
        hint="At least 10 characters; a few words you can remember are best"
        onSubmit={begin}
      />
      {problem && problem.errors.length === 0 ? <Words tone="ember">{problem.detail}</Words> : null}
      <Action label="Begin" kind="main" onPress={begin} disabled={busy} />
    </Welcome>
  );
}

export function SignIn() {
  const [name, setName] = useState('');
  const [passphrase, setPassphrase] = useState('');
  const [run, problem, busy] = useTry();
  const enter = () => {
    run(() => signIn(name, passphrase));
  };
  return (
    <Welcome title="Sign in">
      <Field label="Your name" value={name} onChange={setName} />
      <Field label="Passphrase" value={passphrase} onChange={setPassphrase} secret onSubmit={enter} />
      {problem ? (
        <Words tone="ember" live>
          {problem.detail}
        </Words>
      ) : null}
      <View style={{ alignItems: 'flex-start' }}>
        <Action label="Sign in" kind="main" onPress={enter} disabled={busy} />
      </View>
    </Welcome>
  );
}

/** The server does not answer, and this device has nothing to show yet. */
export function Unreachable() {
  return (
    <Welcome title="The server does not answer">
      <Words>
        This device has not been here before, so there is nothing to show without it. Check the wi-fi, or that
        Slate Path is running, and try again.
      </Words>
      <Action
        label="Try again"
        kind="main"
        onPress={() => {
          location.reload();
        }}
      />
    </Welcome>
  );
}

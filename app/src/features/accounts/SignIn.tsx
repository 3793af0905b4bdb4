import { useState, type ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { Action } from '../../parts/Action';
import { Field } from '../../parts/Field';
import { useTabTitle } from '../../parts/useTabTitle';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { firstStart, recover, signIn } from '../records/account';
import { errorsOf, useTry } from './useTry';

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

/** The first page of a new installation: who are you, and what keeps others out. */
export function FirstStart() {
  const [name, setName] = useState('');
  const [passphrase, setPassphrase] = useState('');
  const [school, setSchool] = useState('');
  const [run, problem, busy] = useTry();
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const errors = errorsOf(problem);
  const begin = () => {
    run(() => firstStart(name, passphrase, { name: school, zone }));
  };
  return (
    <Welcome title="Begin here">
      <Words>
        Your name and a passphrase, and you are in. There is nothing else to set up before the first lesson.
      </Words>
      <Field label="Your name" value={name} onChange={setName} error={errors.of('name')} />
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
        error={errors.of('passphrase')}
        hint="At least 10 characters; a few words you can remember are best"
        onSubmit={begin}
      />
      {errors.whole ? <Words tone="ember">{errors.whole}</Words> : null}
      <Action label="Begin" kind="main" onPress={begin} disabled={busy} />
    </Welcome>
  );
}

/** Another passphrase, by the code that was written down. */
function Recover({ onBack }: { onBack: () => void }) {
  const [name, setName] = useState('');
  const [code, setCode] = useState('');
  const [passphrase, setPassphrase] = useState('');
  const [run, problem, busy] = useTry();
  const errors = errorsOf(problem);
  const enter = () => {
    run(() => recover(name, code, passphrase));
  };
  return (
    <Welcome title="A new passphrase">
      <Words>
        With the recovery code that you wrote down. It counts once, and every device is signed out. Without a
        code, whoever looks after the server can set a passphrase there.
      </Words>
      <Field label="Your name" value={name} onChange={setName} />
      <Field label="Recovery code" value={code} onChange={setCode} placeholder="AAAA-BBBB-CCCC-DDDD-EEEE" />
      <Field
        label="New passphrase"
        value={passphrase}
        onChange={setPassphrase}
        secret
        error={errors.of('passphrase')}
        hint="At least 10 characters; a few words you can remember are best"
        onSubmit={enter}
      />
      {errors.whole ? (
        <Words tone="ember" live>
          {errors.whole}
        </Words>
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        <Action label="Set it and sign in" kind="main" onPress={enter} disabled={busy} />
        <Action label="Back" name="Back to signing in" onPress={onBack} />
      </View>
    </Welcome>
  );
}

export function SignIn() {
  const [recovering, setRecovering] = useState(false);
  const [name, setName] = useState('');
  const [passphrase, setPassphrase] = useState('');
  const [run, problem, busy] = useTry();
  const enter = () => {
    run(() => signIn(name, passphrase));
  };
  if (recovering)
    return (
      <Recover
        onBack={() => {
          setRecovering(false);
        }}
      />
    );
  return (
    <Welcome title="Sign in">
      <Field label="Your name" value={name} onChange={setName} />
      <Field label="Passphrase" value={passphrase} onChange={setPassphrase} secret onSubmit={enter} />
      {problem ? (
        <Words tone="ember" live>
          {problem.detail}
        </Words>
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        <Action label="Sign in" kind="main" onPress={enter} disabled={busy} />
        <Action
          label="Passphrase forgotten"
          onPress={() => {
            setRecovering(true);
          }}
        />
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

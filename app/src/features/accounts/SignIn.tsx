import { useState } from 'react';
import { View } from 'react-native';
import { Action } from '../../parts/Action';
import { Field } from '../../parts/Field';
import { Words } from '../../parts/Words';
import { space } from '../../theme/tokens';
import { recover, signIn } from '../../sync/account';
import { errorsOf, useTry } from '../../forms/useTry';
import { WhatWentWrong } from '../../forms/WhatWentWrong';
import { Welcome } from './Welcome';

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

/** For whoever has an account. */
export default function SignIn() {
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
      <WhatWentWrong problem={problem} />
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

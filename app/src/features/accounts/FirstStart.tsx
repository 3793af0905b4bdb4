import { useState } from 'react';
import { Action } from '../../parts/Action';
import { Field } from '../../parts/Field';
import { Words } from '../../parts/Words';
import { firstStart } from '../../sync/account';
import { errorsOf, useTry } from '../../forms/useTry';
import { Welcome } from './Welcome';

/** The first page of a new installation: who are you, and what keeps others out. */
export default function FirstStart() {
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

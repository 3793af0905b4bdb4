import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { usualPerMinute, type Security } from '@slate-path/core/people/messages/securities';
import { Action } from '../../../parts/Action';
import { Choice } from '../../../parts/Choice';
import { Field } from '../../../parts/Field';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { errorsOf, useTry } from '../../../forms/useTry';
import { WhatWentWrong } from '../../../forms/WhatWentWrong';
import { post } from '../../../sync/api';
import { renewViews } from '../../../sync/views';

type MailFormProps = Pick<AnswerOf<'mail'>, 'settings' | 'hasPassword'>;

const securities: { value: Security; label: string; port: string }[] = [
  { value: 'starttls', label: 'STARTTLS', port: '587' },
  { value: 'tls', label: 'TLS', port: '465' },
  { value: 'none', label: 'Not encrypted', port: '25' },
];

/** Over which mail server letters go out, as whoever runs it says. */
export function MailForm({ settings, hasPassword }: MailFormProps) {
  const [host, setHost] = useState(settings?.host ?? '');
  const [security, setSecurity] = useState<Security>(settings?.security ?? 'starttls');
  const [port, setPort] = useState(String(settings?.port ?? 587));
  const [user, setUser] = useState(settings?.user ?? '');
  const [password, setPassword] = useState('');
  const [sender, setSender] = useState(settings?.sender ?? '');
  const [replyTo, setReplyTo] = useState(settings?.replyTo ?? '');
  const [perMinute, setPerMinute] = useState(String(settings?.perMinute ?? usualPerMinute));
  const [run, problem, busy] = useTry();
  const errors = errorsOf(problem);
  const keep = () => {
    run(async () => {
      const kept = hasPassword && password === '' ? null : password;
      const numbers = { port: Number(port), perMinute: Number(perMinute) };
      await post(addressOf('setMail'), { host, security, user, sender, replyTo, ...numbers, password: kept });
      setPassword('');
      renewViews();
    });
  };
  const end = () => {
    run(async () => {
      await post(addressOf('endMail'));
      renewViews();
    });
  };
  return (
    <View style={{ gap: space(3) }}>
      <Words tone="inkQuiet">
        Whoever runs your mail gives you these. The password stays on the server, encrypted; it goes into no
        file, copy or backup.
      </Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(3) }}>
        <Field
          label="Server"
          value={host}
          onChange={setHost}
          error={errors.of('host')}
          placeholder="mail.school.example"
        />
        <Field
          label="Port"
          value={port}
          onChange={setPort}
          error={errors.of('port')}
          keyboard="numeric"
          width={110}
        />
      </View>
      <Choice
        name="How the way to it is encrypted"
        value={security}
        options={securities}
        onChange={(value) => {
          setSecurity(value);
          setPort(securities.find((one) => one.value === value)?.port ?? port);
        }}
      />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(3) }}>
        <Field label="User (may stay empty)" value={user} onChange={setUser} error={errors.of('user')} />
        <Field
          label={hasPassword ? 'Password (empty: as it was)' : 'Password'}
          value={password}
          onChange={setPassword}
          error={errors.of('password')}
          secret
        />
      </View>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(3) }}>
        <Field
          label="Letters come from"
          value={sender}
          onChange={setSender}
          error={errors.of('sender')}
          keyboard="email-address"
          placeholder="office@school.example"
        />
        <Field
          label="Answers go to (empty: there too)"
          value={replyTo}
          onChange={setReplyTo}
          error={errors.of('replyTo')}
          keyboard="email-address"
        />
        <Field
          label="Letters a minute, at most"
          value={perMinute}
          onChange={setPerMinute}
          error={errors.of('perMinute')}
          keyboard="numeric"
          width={200}
        />
      </View>
      <WhatWentWrong problem={errors.whole === null ? null : problem} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        <Action
          label="Keep it"
          kind="main"
          disabled={busy || host.trim() === '' || sender.trim() === ''}
          onPress={keep}
        />
        {settings ? <Action label="Send nothing any more" disabled={busy} onPress={end} /> : null}
      </View>
    </View>
  );
}

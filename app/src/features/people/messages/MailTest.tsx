import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { Field } from '../../../parts/Field';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { errorsOf, useTry } from '../../../forms/useTry';
import { WhatWentWrong } from '../../../forms/WhatWentWrong';
import { post } from '../../../sync/api';
import { renewViews } from '../../../sync/views';

/** A letter to oneself, to see whether what is set up works. */
export function MailTest() {
  const [address, setAddress] = useState('');
  const [told, setTold] = useState<{ words: string; said: string; isTaken: boolean } | null>(null);
  const [run, problem, busy] = useTry();
  const errors = errorsOf(problem);
  const test = () => {
    setTold(null);
    run(async () => {
      const { words, said } = await post(addressOf('testMail'), { address: address.trim() });
      setTold({
        words:
          words === null
            ? `The mail server took it. Look for it at ${address.trim()}.`
            : `It did not go out: ${words}.`,
        said,
        isTaken: words === null,
      });
      renewViews();
    });
  };
  return (
    <Card style={{ gap: space(3) }}>
      <Words size="large" serif heading={2}>
        Try it
      </Words>
      <Field
        label="Your own address"
        value={address}
        onChange={setAddress}
        error={errors.of('address')}
        keyboard="email-address"
        onSubmit={test}
      />
      <View style={{ alignItems: 'flex-start' }}>
        <Action
          label={busy ? 'Sending…' : 'Send me a test'}
          disabled={busy || address.trim() === ''}
          onPress={test}
        />
      </View>
      {told ? (
        <Words bold tone={told.isTaken ? 'ink' : 'ember'} live>
          {told.words}
        </Words>
      ) : null}
      {told?.said ? <Words size="small" tone="inkQuiet">{`It said: ${told.said}`}</Words> : null}
      <WhatWentWrong problem={errors.whole === null ? null : problem} />
    </Card>
  );
}

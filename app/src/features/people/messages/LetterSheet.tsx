import Download from 'lucide-react-native/icons/download';
import Mail from 'lucide-react-native/icons/mail';
import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { Action } from '../../../parts/Action';
import { Field } from '../../../parts/Field';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { FileAction } from '../../../files/FileAction';
import { errorsOf, useTry } from '../../../forms/useTry';
import { WhatWentWrong } from '../../../forms/WhatWentWrong';
import { post } from '../../../sync/api';
import { renewViews } from '../../../sync/views';
import type { Written } from './letters';

const mailTo = (address: string, subject: string, body: string) =>
  `mailto:${encodeURIComponent(address)}?subject=${encodeURIComponent(subject)}&body=${encodeURIComponent(body)}`;

/** What a letter says, how it stands, and what can be done with it. */
export function LetterSheet({ letter, message, onClose }: Written & { onClose: () => void }) {
  const [address, setAddress] = useState(letter.address);
  const [run, problem, busy] = useTry();
  const errors = errorsOf(problem);
  const isWritten = message !== null;
  const isThere = letter.words !== 'waiting on this device';
  const again = () => {
    run(async () => {
      await post(addressOf('sendLetterAgain', { letterId: letter.id }), { address: address.trim() });
      renewViews();
      onClose();
    });
  };
  return (
    <Sheet
      title={message?.subject ?? letter.name}
      note={`To ${letter.address} · ${letter.words}`}
      onClose={onClose}
    >
      <View style={{ gap: space(3) }}>
        {letter.said ? (
          <Words size="small" tone="inkQuiet">{`The mail server said: ${letter.said}`}</Words>
        ) : null}
        <Words>
          {message?.body ?? 'This letter held a link. What it said is not kept once it is on its way.'}
        </Words>
        {isWritten && isThere && letter.state !== 'waiting' ? (
          <Field
            label="Send it again, to"
            value={address}
            onChange={setAddress}
            error={errors.of('address')}
            keyboard="email-address"
            onSubmit={again}
          />
        ) : null}
        <WhatWentWrong problem={errors.whole === null ? null : problem} />
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
          {isWritten && isThere && letter.state !== 'waiting' ? (
            <Action
              label="Send it again"
              kind="main"
              disabled={busy || address.trim() === ''}
              onPress={again}
            />
          ) : null}
          {isWritten ? (
            <Action
              label="Open in my mail program"
              icon={Mail}
              onPress={() => {
                location.assign(mailTo(letter.address, message.subject, message.body));
              }}
            />
          ) : null}
          {isWritten && isThere ? (
            <FileAction
              label="Save as .eml"
              icon={Download}
              address={addressOf('letterFile', { letterId: letter.id })}
            />
          ) : null}
        </View>
      </View>
    </Sheet>
  );
}

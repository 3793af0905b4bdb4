import Copy from 'lucide-react-native/icons/copy';
import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { displayName } from '@slate-path/core/people/names';
import type { Student } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { lazily } from '../../../parts/lazily';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { copyText } from '../../../files/give';
import { useTry } from '../../../forms/useTry';
import { WhatWentWrong } from '../../../forms/WhatWentWrong';
import { post } from '../../../sync/api';
import { renewViews } from '../../../sync/views';

// Its library does not come with the first screen.
const QrCode = lazily(() => import('../../../parts/QrCode'));

interface CardSheetProps {
  student: Student;
  hasCard: boolean;
  /** How the card stands. */
  words: string;
  onClose: () => void;
}

/** One student's card: replaced by one tap, shown to be scanned at once, or ended. */
export function CardSheet({ student, hasCard, words, onClose }: CardSheetProps) {
  const [token, setToken] = useState<string | null>(null);
  const [told, setTold] = useState('');
  const [run, problem, busy] = useTry();
  const name = displayName(student);
  const { id: studentId } = student;
  const replace = () => {
    run(async () => {
      const made = await post(addressOf('replaceCard', { studentId }));
      setToken(made.token);
      renewViews();
    });
  };
  const end = () => {
    run(async () => {
      await post(addressOf('endCard', { studentId }));
      renewViews();
      onClose();
    });
  };
  const link = token === null ? '' : `${location.origin}/mine/${token}`;
  return (
    <Sheet title={`The card of ${name}`} onClose={onClose}>
      <View style={{ gap: space(3), alignItems: token === null ? 'stretch' : 'center' }}>
        {token === null ? (
          <Words>{hasCard ? `It is a ${words}. A new one ends it.` : 'There is none yet.'}</Words>
        ) : (
          <>
            <QrCode text={link} size={220} name={`The page of ${name} as a QR code`} />
            <Words live>
              {told ||
                `Let ${name} point a phone at it. It is shown only now; the card before opens nothing any more.`}
            </Words>
          </>
        )}
        <WhatWentWrong problem={problem} />
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
          {token === null ? (
            <>
              <Action
                label={hasCard ? 'New card' : 'Make the card'}
                kind="main"
                disabled={busy}
                onPress={replace}
              />
              {hasCard ? <Action label="End the card" disabled={busy} onPress={end} /> : null}
            </>
          ) : (
            <>
              <Action
                label="Copy the link"
                icon={Copy}
                kind="main"
                onPress={() => void copyText(link, 'The link').then(setTold)}
              />
              <Action label="Done" onPress={onClose} />
            </>
          )}
        </View>
      </View>
    </Sheet>
  );
}

import Copy from 'lucide-react-native/icons/copy';
import { useState } from 'react';
import { View } from 'react-native';
import { Action } from '../../../parts/Action';
import { lazily } from '../../../parts/lazily';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { copyText } from '../../../files/give';

// Its library does not come with the first screen.
const QrCode = lazily(() => import('../../../parts/QrCode'));

interface MadePageProps {
  token: string;
  reader: string;
  /** Where it was sent; empty where it is handed on. */
  email: string;
  mailed: boolean;
  onClose: () => void;
}

/** The link of a page that was made: shown once, for the server has only its hash. */
export function MadePage({ token, reader, email, mailed, onClose }: MadePageProps) {
  const [told, setTold] = useState('');
  const link = `${location.origin}/read/${token}`;
  const sent = mailed
    ? `The link is on its way to ${email}.`
    : email
      ? `No mail server is set up, so nothing goes to ${email}: hand the link on yourself.`
      : `Send this link to ${reader}, or let them point a phone at it.`;
  return (
    <Sheet title={`The page for ${reader}`} onClose={onClose}>
      <View style={{ gap: space(3), alignItems: 'center' }}>
        <QrCode text={link} size={220} name={`The page for ${reader} as a QR code`} />
        <Words live>{told || `${sent} Whoever has it can read the page. It is shown only now.`}</Words>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2), justifyContent: 'center' }}>
          <Action
            label="Copy the link"
            icon={Copy}
            kind="main"
            onPress={() => void copyText(link, 'The link').then(setTold)}
          />
          <Action
            label="Open it"
            onPress={() => {
              window.open(link, '_blank', 'noopener');
            }}
          />
        </View>
      </View>
    </Sheet>
  );
}

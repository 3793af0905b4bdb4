import { addressOf } from '@slate-path/core/api/address';
import { Card } from '../../../parts/Card';
import { Page } from '../../../parts/Page';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { useAccount } from '../../../sync/account';
import { useAsking } from '../../../sync/useAsking';
import { useView } from '../../../sync/views';
import { MailForm } from './MailForm';
import { MailTest } from './MailTest';

/** How letters leave the server: set up by the keeper, and tried. */
export function MailScreen() {
  const isKeeper = useAccount((account) => account.isKeeper);
  const asking = useAsking('for how mail is set up');
  return (
    <Page title="Mail" note="How letters leave the server" back={{ to: '/desk', name: 'Back to the desk' }}>
      {isKeeper ? <Mail asking={asking} /> : <Words>The keeper of your school sets this up.</Words>}
    </Page>
  );
}

function Mail({ asking }: { asking: string }) {
  const { answer } = useView(addressOf('mail'));
  if (!answer) return <Words tone="inkQuiet">{asking}</Words>;
  const { settings, hasPassword, by, trouble } = answer;
  return (
    <>
      {trouble ? (
        <Card style={{ gap: space(1) }}>
          <Words bold tone="ember" heading={2} live>
            {`Nothing goes out: ${trouble.words}.`}
          </Words>
          <Words>
            Every letter is kept, and tried again ever later. Set it right below, or send a test to try at
            once.
          </Words>
          {trouble.said ? <Words size="small" tone="inkQuiet">{`It said: ${trouble.said}`}</Words> : null}
        </Card>
      ) : null}
      <Card style={{ gap: space(3) }}>
        <Words size="large" serif heading={2}>
          The mail server
        </Words>
        {by === 'environment' && settings ? (
          <Words>
            {`${settings.host}, port ${settings.port}, as ${settings.sender}: set up by whoever starts the server, in its environment.`}
          </Words>
        ) : (
          <MailForm key={JSON.stringify(settings)} {...{ settings, hasPassword }} />
        )}
      </Card>
      {settings ? <MailTest /> : null}
    </>
  );
}

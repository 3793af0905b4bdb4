import { useRouter } from 'expo-router';
import { addressOf } from '@slate-path/core/api/address';
import { many } from '@slate-path/core/words/many';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { Empty } from '../../../parts/Empty';
import { Page } from '../../../parts/Page';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { useAsking } from '../../../sync/useAsking';
import { useView } from '../../../sync/views';
import { PageLines } from './PageLines';

/** Every page that whoever is signed in made for a reader: those that open first. */
export function SharedScreen() {
  const router = useRouter();
  const asking = useAsking('for what was shared');
  const { answer } = useView(addressOf('pages'));
  const pages = answer?.pages;
  const open = pages?.filter(({ isOpen }) => isOpen) ?? [];
  const ended = pages?.filter(({ isOpen }) => !isOpen) ?? [];
  return (
    <Page
      title="Shared"
      note={pages ? `${many(open.length, 'page')} open` : undefined}
      back={{ to: '/desk', name: 'Desk' }}
    >
      {pages === undefined ? <Words tone="inkQuiet">{asking}</Words> : null}
      {pages?.length === 0 ? (
        <Empty
          title="Nothing was shared yet"
          action={
            <Action
              label="To the classes"
              kind="main"
              onPress={() => {
                router.push('/people');
              }}
            />
          }
        >
          A page for a reader is made on a student’s page, under Shared, or of a class without names behind
          its dots. What went to whom, until when, and how often it was opened stands here.
        </Empty>
      ) : null}
      {open.length > 0 ? (
        <Card style={{ gap: space(2) }}>
          <Words size="large" serif heading={2}>
            Open
          </Words>
          <PageLines pages={open} ofWhom />
        </Card>
      ) : null}
      {ended.length > 0 ? (
        <Card style={{ gap: space(2) }}>
          <Words size="large" serif heading={2}>
            Ended
          </Words>
          <PageLines pages={ended} ofWhom />
        </Card>
      ) : null}
    </Page>
  );
}

import { addressOf } from '@slate-path/core/api/address';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { many } from '@slate-path/core/words/many';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { Action } from '../../../parts/Action';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { ask, post } from '../../../sync/api';
import { useRecords } from '../../../sync/useRecords';
import { renewViews } from '../../../sync/views';
import { reasonOf, type Backup } from './backups';

type Meaning = AnswerOf<'previewReturn'>;

interface GoBackSheetProps {
  backup: Backup;
  /** When it was made, in words. */
  when: string;
  onBack: (backups: Backup[]) => void;
  onClose: () => void;
}

type State =
  { at: 'asking' | 'going' } | { at: 'asked'; meaning: Meaning } | { at: 'failed'; reason: string };

const records = (count: number) => many(count, 'record');

/** What will happen, in a sentence; null where nothing differs. */
function meaningWords({ asThen, backAgain, gone }: Meaning): string | null {
  const parts = [
    asThen > 0 ? `${records(asThen)} will be as then` : '',
    backAgain > 0 ? `${records(backAgain)} taken away since will come back` : '',
    gone > 0 ? `${records(gone)} made since will be taken away` : '',
  ].filter(Boolean);
  return parts.length === 0 ? null : `${parts.join(', ')}.`;
}

/** What going back to a backup means for the teacher's own records, before it is done. */
export function GoBackSheet({ backup, when, onBack, onClose }: GoBackSheetProps) {
  const [state, setState] = useState<State>({ at: 'asking' });
  const unsent = useRecords(({ entries }) => entries.length);
  const { name } = backup;
  useEffect(() => {
    let isShown = true;
    ask(addressOf('previewReturn', { name }))
      .then((meaning) => {
        if (isShown) setState({ at: 'asked', meaning });
      })
      .catch((error: unknown) => {
        if (isShown) setState({ at: 'failed', reason: reasonOf(error, 'Nothing was changed.') });
      });
    return () => {
      isShown = false;
    };
  }, [name]);
  const go = async () => {
    setState({ at: 'going' });
    try {
      const { backups } = await post(addressOf('returnToBackup', { name }));
      renewViews();
      onBack(backups);
    } catch (error) {
      setState({ at: 'failed', reason: reasonOf(error, 'Look at the list again before you go on.') });
    }
  };
  const words = state.at === 'asked' ? meaningWords(state.meaning) : null;
  return (
    <Sheet title="Go back to this backup?" note={when} onClose={onClose}>
      {state.at === 'asking' ? <Words tone="inkQuiet">Reading the backup…</Words> : null}
      {state.at === 'going' ? <Words tone="inkQuiet">Going back…</Words> : null}
      {state.at === 'failed' ? (
        <Words tone="ember" live>
          {state.reason}
        </Words>
      ) : null}
      {state.at === 'asked' && words === null ? (
        <Words live>Everything of yours is as it was then: there is nothing to go back to.</Words>
      ) : null}
      {words === null ? null : (
        <View style={{ gap: space(3) }}>
          <Words bold live figures>
            {words}
          </Words>
          <Words tone="inkQuiet">
            Only your own records; other teachers’ stay as they are, and so do messages that went out. A
            backup of now is made first, so that you can come back here.
          </Words>
          {unsent > 0 ? (
            <Words tone="ember" live>
              Some of what you did on this device has not reached the server. Wait until it says “saved”.
            </Words>
          ) : null}
          <View style={{ flexDirection: 'row', gap: space(2) }}>
            <Action label="Go back" kind="main" disabled={unsent > 0} onPress={() => void go()} />
            <Action label="Leave all as it is" onPress={onClose} />
          </View>
        </View>
      )}
    </Sheet>
  );
}

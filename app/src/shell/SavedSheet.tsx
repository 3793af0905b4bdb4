import { Action } from '../parts/Action';
import { lazily } from '../parts/lazily';
import { Sheet } from '../parts/Sheet';
import { Words } from '../parts/Words';
import { useRecordsAfterPaint } from '../sync/afterPaint';
import { sendNow } from '../sync/outbox';
import { useRecords } from '../sync/useRecords';
import { savedWords, whereabouts } from './saved';

// Seen by few.
const RefusedChanges = lazily(() => import('./RefusedChanges'));

/** Where everything is, and what can be done about what is not at the server. */
export default function SavedSheet({ onClose }: { onClose: () => void }) {
  const found = useRecordsAfterPaint(whereabouts);
  const entries = useRecords((state) => state.entries);
  const refused = entries.filter(({ state }) => state === 'refused');
  return (
    <Sheet title="Where everything is" onClose={onClose}>
      <Words>{savedWords(found).detail}</Words>
      {refused.length > 0 ? <RefusedChanges entries={refused} /> : null}
      {entries.length > 0 ? <Action label="Send now" kind="main" onPress={sendNow} /> : null}
    </Sheet>
  );
}

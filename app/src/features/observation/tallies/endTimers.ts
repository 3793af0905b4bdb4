import { timerSeconds } from '@slate-path/core/observation/tallies/timers';
import { now } from '../../../sync/clock';
import { makeChange } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';
import { endOfTimer } from './tallying';

/** Ended by themselves, so no page's *Take back* starts them again. */
const history = 'timers';

/** Each is ended once: where the server refuses that, it is told and waits for the teacher. */
const ended = new Set<string>();

/** Ends every timer whose time is over: its student has left, or the lesson has. */
function endTimers(): void {
  for (const tally of Object.values(useRecords.getState().current.tally)) {
    if (tally.removed || tally.amount !== null || ended.has(tally.id)) continue;
    const end = endOfTimer(tally);
    if (!end || end.at > now()) continue;
    const { id, lessonId } = tally;
    ended.add(id);
    const amount = timerSeconds(tally, end.at);
    makeChange('tally.stop', { id, lessonId, amount, unsure: end.unsure }, history);
  }
}

const everyMs = 5000;

/** Looks for such timers as long as the application is open. @returns what stops it */
export function watchTimers(): () => void {
  const timer = setInterval(endTimers, everyMs);
  return () => {
    clearInterval(timer);
  };
}

import { letterWords } from '@slate-path/core/people/messages/letterStates';
import { localMoment } from '@slate-path/core/calendar/zone';
import { dayIn } from '@slate-path/core/sharing/readerPage/language';
import type { LetterRow } from '../../database/letterEntities';
import type { Services } from '../../services';

type Told = Pick<Services, 'database' | 'postman' | 'clock'>;

/** Moments as they follow what happened then, by the school's clocks: `at 11:14`, or with the day where it is another. */
function whenIn({ database, clock }: Told): (instant: string) => string {
  const school = database.lookUp.get<{ zone: string }>('SELECT "zone" FROM "school" WHERE NOT "removed"');
  const local = (now: number) => localMoment(now, school?.zone ?? 'UTC');
  const today = local(clock()).date;
  return (instant) => {
    const { date, time } = local(Date.parse(instant));
    return date === today ? `at ${time}` : `on ${dayIn('en', date)} at ${time}`;
  };
}

/** How letters stand, for whoever wrote them. */
export function teller(services: Told) {
  const when = whenIn(services);
  const { trouble, access } = services.postman;
  return (letter: LetterRow) => {
    const { id, kind, aboutId, insteadOf, name, address, state, changedAt, said } = letter;
    const stopped = state === 'waiting' && access !== null ? trouble : null;
    const stands = stopped
      ? { ...letter, reason: stopped.reason, nextAt: new Date(stopped.nextAt).toISOString() }
      : letter;
    return {
      ...{ id, kind, aboutId, insteadOf, name, address, state, changedAt },
      words: letterWords(stands, when),
      said: stopped?.said ?? said ?? '',
    };
  };
}

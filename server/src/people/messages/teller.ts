import { letterWords } from '@slate-path/core/people/messages/letterStates';
import { localMoment } from '@slate-path/core/calendar/zone';
import { dayIn } from '@slate-path/core/sharing/readerPage/language';
import type { LetterRow } from '../../database/letterEntities';
import { zoneAtSchool } from '../../scopes/access';
import type { Services } from '../../services';

type Told = Pick<Services, 'database' | 'postman' | 'clock'>;

/** Moments as they follow what happened then, by the school's clocks: `at 11:14`, or with the day where it is another. */
function whenIn({ database, clock }: Told, personId: string): (instant: string) => string {
  const zone = zoneAtSchool(database.lookUp, personId);
  const local = (now: number) => localMoment(now, zone);
  const today = local(clock()).date;
  return (instant) => {
    const { date, time } = local(Date.parse(instant));
    return date === today ? `at ${time}` : `on ${dayIn('en', date)} at ${time}`;
  };
}

/** How letters stand, as somebody of the school is told. */
export function teller(services: Told, personId: string) {
  const when = whenIn(services, personId);
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

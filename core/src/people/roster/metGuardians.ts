import type { Guardian } from '../../records/schema';
import { foldName } from '../names';
import type { RosterRow } from './readRoster';

type ReadGuardian = RosterRow['guardians'][number];
/** What a file says otherwise of a guardian who is there. */
export interface GuardianChange {
  id: string;
  name?: string;
  email?: string;
  phone?: string;
}

const sameAddress = (a: string, b: string) => a.toLowerCase() === b.toLowerCase();
/** Written otherwise it is the same number. */
const digits = (phone: string) => phone.replace(/\D/g, '');

/** Which of those known it is: by address, else by name where one of the two has no address. */
function whoIs({ name, email }: ReadGuardian, known: readonly Guardian[]): Guardian | undefined {
  const byAddress = email && known.find((one) => sameAddress(one.email, email));
  if (byAddress) return byAddress;
  return known.find((one) => name !== '' && foldName(one.name) === foldName(name) && !(email && one.email));
}

/**
 * The guardians of a row beside those that its student has: who is new, and what is news of the others. An empty cell
 * says nothing, and a name that is there stays.
 */
export function meetGuardians(
  { guardians }: Pick<RosterRow, 'guardians'>,
  studentId: string,
  all: readonly Guardian[],
): { added: ReadGuardian[]; changed: GuardianChange[] } {
  const known = all.filter((one) => one.studentId === studentId);
  const added: ReadGuardian[] = [];
  const changed: GuardianChange[] = [];
  for (const read of guardians) {
    const found = whoIs(read, known);
    if (!found) {
      added.push(read);
      continue;
    }
    const { name, email, phone = '' } = read;
    const news = {
      ...(found.name === '' && name !== '' ? { name } : {}),
      ...(found.email === '' && email !== '' ? { email } : {}),
      ...(phone !== '' && digits(phone) !== digits(found.phone) ? { phone } : {}),
    };
    if (Object.keys(news).length > 0) changed.push({ id: found.id, ...news });
  }
  return { added, changed };
}

import { createHash } from 'node:crypto';

const prefix = 'sha1:';

/** As the Experience API hashes an address (1.0.3, part 2, 2.4.2.1). */
export const hashOfAddress = (email: string): string =>
  prefix + createHash('sha1').update(`mailto:${email}`).digest('hex');

/**
 * People who are told by the hash of their address get the address where it is one of the class's: from there on
 * they are matched as everybody else.
 */
export function withAddresses<P extends { email: string; schoolId: string }>(
  people: readonly P[],
  emails: readonly string[],
): P[] {
  if (!people.some(({ schoolId }) => schoolId.startsWith(prefix))) return [...people];
  const byHash = new Map(
    emails
      .filter(Boolean)
      .flatMap((email) => [email, email.toLowerCase()].map((one) => [hashOfAddress(one), email])),
  );
  return people.map((person) => {
    const email = byHash.get(person.schoolId);
    return email === undefined ? person : { ...person, email: email.toLowerCase(), schoolId: '' };
  });
}

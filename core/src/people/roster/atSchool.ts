import { foldName } from '../names';
import type { Student } from '../../records/schema';

/** What somebody is recognised by. */
export type Recognised = Pick<Student, 'givenName' | 'familyName' | 'email' | 'schoolId'>;

/** A student of the school whom the teacher does not teach. */
export type Elsewhere = Recognised & Pick<Student, 'id'>;

/** One of them who may be the person of a row, and with whom they are: "in Mara Lind’s Tide Pools". */
export interface AtSchool {
  id: string;
  taught: string;
}

const nameKey = ({ givenName, familyName }: Recognised) => foldName(`${givenName} ${familyName}`);

/**
 * Who of the school a person is, or could be. It is them by the school's id, or by name and address; by one of these
 * alone they could be. Two with different ids of the school are two.
 * @returns `sure` where there is no doubt, and then only one
 */
export function whoAtSchool(
  person: Recognised,
  elsewhere: readonly Elsewhere[],
): { found: Elsewhere[]; sure: boolean } {
  const byId = elsewhere.filter(({ schoolId }) => person.schoolId !== '' && schoolId === person.schoolId);
  const [only, second] = byId;
  if (only && !second) return { found: [only], sure: true };
  const address = person.email.toLowerCase();
  const hasAddress = (one: Elsewhere) => address !== '' && one.email.toLowerCase() === address;
  const hasName = (one: Elsewhere) => nameKey(one) !== '' && nameKey(one) === nameKey(person);
  const isAnother = ({ schoolId }: Elsewhere) =>
    schoolId !== '' && person.schoolId !== '' && schoolId !== person.schoolId;
  const others = elsewhere.filter((one) => !isAnother(one));
  const both = others.filter((one) => hasAddress(one) && hasName(one));
  const [same, another] = both;
  if (byId.length === 0 && same && !another) return { found: [same], sure: true };
  return {
    found: byId.length > 0 ? byId : others.filter((one) => hasAddress(one) || hasName(one)),
    sure: false,
  };
}

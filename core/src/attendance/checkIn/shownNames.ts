import type { Student } from '../../records/schema';
import { byDisplayName, displayName, shortName } from '../../people/names';
import { isParticle } from '../../people/particles';

type Named = Pick<Student, 'id' | 'givenName' | 'familyName' | 'called'>;

/** A family name from the word that it is known by: "de los Ríos" by R; "Ó Briain", written large, by Ó. */
function tellingPart(family: string): string {
  const words = family.split(' ');
  const at = words.findIndex((word) => !isParticle(word) || word !== word.toLowerCase());
  return at < 0 ? family : words.slice(at).join(' ');
}

/** The beginning of a family name that tells it from the others: one letter, or as many as it takes. */
function beginning(family: string, others: readonly string[]): string {
  for (let length = 1; length < family.length; length += 1) {
    const start = family.slice(0, length);
    if (!others.some((other) => other.toLowerCase().startsWith(start.toLowerCase()))) return `${start}.`;
  }
  return family;
}

/**
 * The names by which students find themselves, in the order of given names. Short ones show no more of
 * a family name than is needed; two of one name in all are told apart by a number.
 */
export function shownNames(students: readonly Named[], short: boolean): { id: string; name: string }[] {
  const sorted = [...students].sort(byDisplayName);
  const names = sorted.map((student) => {
    if (!short || student.familyName === '') return displayName(student);
    const namesakes = sorted.filter(
      (other) => other.id !== student.id && shortName(other) === shortName(student),
    );
    const others = namesakes.filter(({ familyName }) => familyName !== student.familyName);
    const family = beginning(
      tellingPart(student.familyName),
      others.map(({ familyName }) => tellingPart(familyName)),
    );
    return `${shortName(student)} ${family}`;
  });
  return sorted.map(({ id }, index) => {
    const name = names[index] ?? '';
    const same = names.filter((other) => other === name).length;
    const number = names.slice(0, index + 1).filter((other) => other === name).length;
    return { id, name: same > 1 ? `${name} (${number})` : name };
  });
}

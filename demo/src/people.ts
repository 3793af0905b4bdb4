import type { PRNG } from 'seedrandom';
import { familyNames, givenNames, namedPeople, type Person } from './names';
import { classes } from './scenario';

/** A student of the demo: a person with addresses, in one class or more. */
export interface DemoStudent extends Person {
  schoolId: string;
  email: string;
  grade: string;
  guardians: { name: string; email: string }[];
  classes: string[];
}

function pick<T>(list: readonly T[], random: PRNG): T {
  const item = list[Math.floor(random() * list.length)];
  if (item === undefined) throw new Error('Nothing to pick from');
  return item;
}

/** An address from a name: letters and hyphens only, as a school's system would make it. */
function addressOf({ givenName, familyName }: Person): string {
  const plain = `${givenName}.${familyName}`
    .normalize('NFKD')
    .replace(/ı/g, 'i')
    .replace(/[^A-Za-z.-]/g, '');
  return `${plain.toLowerCase().replace(/\.$/, '')}@ternrock.example`;
}

function newPerson(taken: Set<string>, random: PRNG): Person {
  for (;;) {
    const found = { givenName: pick(givenNames, random), familyName: pick(familyNames, random), called: '' };
    const name = `${found.givenName} ${found.familyName}`;
    if (taken.has(name)) continue;
    taken.add(name);
    return found;
  }
}

function guardiansOf({ familyName, givenName }: Person, random: PRNG): DemoStudent['guardians'] {
  const count = random() < 0.04 ? 0 : random() < 0.6 ? 1 : 2;
  return Array.from({ length: count }, () => {
    const first = pick(givenNames, random);
    const last = familyName || givenName;
    return {
      name: `${first} ${last}`,
      email: addressOf({ givenName: first, familyName: last, called: '' }).replace('ternrock', 'mail'),
    };
  });
}

/** About 110 students; the small advisory group is made of students of the other classes. */
export function makeStudents(random: PRNG): DemoStudent[] {
  const taken = new Set(
    Object.values(namedPeople)
      .flat()
      .map(({ givenName, familyName }) => `${givenName} ${familyName}`),
  );
  const students: DemoStudent[] = [];
  const subjects = classes.filter(({ name }) => name !== 'Lantern Crew');
  for (const { name, size } of subjects) {
    const people = [...(namedPeople[name] ?? [])];
    while (people.length < size) people.push(newPerson(taken, random));
    for (const person of people) {
      students.push({
        ...person,
        schoolId: `TR${1000 + students.length}`,
        email: addressOf(person),
        grade: String(7 + Math.floor(random() * 3)),
        guardians: guardiansOf(person, random),
        classes: [name],
      });
    }
  }
  const also = (names: string[], className: string) => {
    for (const student of students)
      if (names.includes(`${student.givenName} ${student.familyName}`)) student.classes.push(className);
  };
  also(['Odalys Brandt', 'Tomasz Afolabi', 'Yusra Haddadin'], 'Tides and Navigation');
  also(['Odalys Brandt', 'Mei Tanaka', 'Dario Quispe', 'Pell Arbuckle'], 'Lantern Crew');
  const others = students.filter(
    (student) => student.classes.length === 1 && student.classes[0] !== 'Boat Workshop',
  );
  for (const student of others.filter((_, index) => index % 8 === 3).slice(0, 10))
    student.classes.push('Lantern Crew');
  return students;
}

import { acceptedPeople, mergeRoster } from '../src/people/roster/mergeRoster';
import { readRosterFile } from '../src/people/roster/oneRoster';
import { readRoster } from '../src/people/roster/readRoster';
import { enrolment, student } from './records';

const read = async (text: string) => readRoster(await readRosterFile(new TextEncoder().encode(text)));

describe('guardians who are there already', () => {
  const dario = student({ id: '1', givenName: 'Dario', familyName: 'Quispe', email: 'dario@x.org' });
  const guardian = (own: object) => ({
    ...{ id: 'g', removed: false, studentId: '1', name: 'Ines Quispe', email: 'ines@x.org' },
    ...{ phone: '01 555 0199', relation: '', ...own },
  });
  const head = 'Name,Email,Parent,Parent email,Parent mobile';
  test.each([
    ['another number', {}, 'Ines Quispe,ines@x.org,01 555 0100', [{ id: 'g', phone: '01 555 0100' }]],
    ['the same number, written otherwise', {}, 'Ines Quispe,INES@x.org,(01) 555-0199', []],
    ['no number says nothing', {}, 'Ines Quispe,ines@x.org,', []],
    [
      'an address and a number for one who is known by name',
      { email: '', phone: '' },
      'Ines Quispe,ines@x.org,01 555 0100',
      [{ id: 'g', email: 'ines@x.org', phone: '01 555 0100' }],
    ],
    [
      'a name for one who is known by address',
      { name: '' },
      'Ines Quispe,ines@x.org,',
      [{ id: 'g', name: 'Ines Quispe' }],
    ],
  ])('%s', async (_what, own, line, changed) => {
    const people = {
      students: [dario],
      guardians: [guardian(own)],
      enrolments: [enrolment({ studentId: '1' })],
    };
    const { rows } = await read(`${head}\nDario Quispe,dario@x.org,${line}`);
    const [row] = mergeRoster(rows, 's', people);
    expect(row?.fate).toBe(changed.length > 0 ? 'changed' : 'same');
    const [person] = acceptedPeople(row ? [row] : [], people, null, () => 'new');
    expect([person?.guardians, person?.guardiansChanged]).toEqual([[], changed]);
  });
  test('another of the name with an address of their own is somebody new', async () => {
    const people = {
      students: [dario],
      guardians: [guardian({})],
      enrolments: [enrolment({ studentId: '1' })],
    };
    const { rows } = await read(`${head}\nDario Quispe,dario@x.org,Ines Quispe,i.quispe@x.org,`);
    const accepted = acceptedPeople(mergeRoster(rows, 's', people), people, null, () => 'new');
    expect(accepted.map(({ guardians, guardiansChanged }) => [guardians.length, guardiansChanged])).toEqual([
      [1, []],
    ]);
  });
});

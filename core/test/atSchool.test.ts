import { whoAtSchool } from '../src/people/roster/atSchool';
import { acceptedPeople, mergeRoster, settledRow } from '../src/people/roster/mergeRoster';
import { readRosterFile } from '../src/people/roster/oneRoster';
import { readRoster } from '../src/people/roster/readRoster';

const read = async (text: string) => readRoster(await readRosterFile(new TextEncoder().encode(text)));

describe('somebody of a colleague’s class', () => {
  const liv = { id: 'liv', givenName: 'Liv', familyName: 'Ås', email: 'liv@x.org', schoolId: '41' };
  const twin = { ...liv, id: 'twin', email: '', schoolId: '' };
  const asked = { givenName: 'Liv', familyName: 'Ås', email: '', schoolId: '' };
  test.each<[string, Partial<typeof asked>, (typeof liv)[], string[], boolean]>([
    [
      'by the school’s id, whatever the name',
      { givenName: 'Olivia', schoolId: '41' },
      [liv, twin],
      ['liv'],
      true,
    ],
    ['by name and address', { email: 'LIV@x.org' }, [liv], ['liv'], true],
    [
      'by an address alone: a family has one',
      { givenName: 'Ole', email: 'liv@x.org' },
      [liv],
      ['liv'],
      false,
    ],
    ['by a name alone', {}, [liv], ['liv'], false],
    ['by a name that two have', {}, [liv, twin], ['liv', 'twin'], false],
    ['with another id of the school: somebody else', { schoolId: '42' }, [liv], [], false],
    ['nobody', { givenName: 'Ida' }, [liv], [], false],
    ['by nothing', { givenName: '', familyName: '' }, [{ ...liv, givenName: '', familyName: '' }], [], false],
  ])('%s', (_what, said, elsewhere, found, sure) => {
    const answer = whoAtSchool({ ...asked, ...said }, elsewhere);
    expect([answer.found.map(({ id }) => id), answer.sure]).toEqual([found, sure]);
  });

  test('joins as the same person, or waits for a word; nothing of them is told or overwritten', async () => {
    const { rows } = await read('Name,Email,Parent email\nLiv Ås,liv@x.org,ma@x.org\nIda Roe,,\nJo Lee,,');
    const elsewhere = [liv, { ...liv, id: 'ida', givenName: 'Ida', familyName: 'Roe', email: 'ida@x.org' }];
    const people = { students: [], guardians: [], enrolments: [], elsewhere };
    const merged = mergeRoster(rows, 'boats', people);
    expect(merged.map(({ fate, studentId, candidates }) => [fate, studentId, candidates])).toEqual([
      ['changed', 'liv', []],
      ['in_doubt', null, ['ida']],
      ['new', null, []],
    ]);
    const settled = merged.map((row, at) => settledRow(row, at === 1 ? 'is ida' : 'accept', 'boats', people));
    const accepted = acceptedPeople(settled, { guardians: [] }, null, () => 'fresh');
    expect(
      accepted.map(({ id, changed, guardians, enrolment }) => [id, changed, guardians, !!enrolment]),
    ).toEqual([
      ['liv', {}, [], true],
      ['ida', {}, [], true],
      ['fresh', {}, [], true],
    ]);
    expect(accepted.map(({ added }) => added?.familyName ?? null)).toEqual([null, null, 'Lee']);
  });
});

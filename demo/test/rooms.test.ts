import { neighbours } from '@slate-path/core/people/room/seatings';
import { makeRooms } from '../src/rooms';
import { classes } from '../src/scenario';
import { sitsInPairs } from '../src/stories';
import { makeTerm } from '../src/term';

const term = makeTerm(Date.parse('2026-11-23T11:00:00Z'));
const pupilsOf = (className: string) =>
  term.students
    .filter((student) => student.classes.includes(className))
    .map((student) => ({ id: student.schoolId, student }));
const roomsOf = (className: string) => {
  let made = 0;
  const seated = { className, sectionId: 's', pupils: pupilsOf(className), life: term.life };
  return makeRooms(seated, term.startsOn, () => `plan ${(made += 1)}`);
};

test.each(classes.map(({ name }) => [name]))('in %s everybody has one seat, or nobody a plan', (name) => {
  const ids = pupilsOf(name).map(({ id }) => id);
  for (const { places, seats } of roomsOf(name)) {
    expect(places.map(({ studentId }) => studentId).sort()).toEqual(ids.toSorted());
    expect(seats).toHaveLength(ids.length);
  }
});

test('in the weeks of pairs two sit side by side, and never in the others', () => {
  const [viggo, sander] = ['Viggo Silva', 'Sander Sarr'].map(
    (name) =>
      pupilsOf('Log-keeping').find(
        ({ student: { givenName, familyName } }) => `${givenName} ${familyName}` === name,
      )?.id ?? '',
  );
  const rooms = roomsOf('Log-keeping');
  expect(rooms).toHaveLength(14);
  // Two plans in turns, not a new one each week.
  expect(new Set(rooms.map(({ id }) => id)).size).toBe(2);
  rooms.forEach(({ places }, week) => {
    expect(
      neighbours(places)
        .get(viggo ?? '')
        ?.includes(sander ?? ''),
    ).toBe(sitsInPairs(week));
  });
});

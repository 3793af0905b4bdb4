import { references, tableNames } from '../../src/records/tables';
import { belongingOf, decidingFields } from '../../src/scopes/belonging';
import { accessRoles, reads, rights, writes } from '../../src/scopes/rights';

/** Fields that decide by being on or off. */
const switches = ['own', 'shared'];

test.each(tableNames)('%s hangs on what it points at, or belongs by itself', (table) => {
  const pointers = references[table] ?? {};
  for (const field of decidingFields(table).filter((name) => !switches.includes(name))) {
    expect(Object.keys(pointers)).toContain(field);
    expect(belongingOf(table, { [field]: 'x' })).toEqual({ table: pointers[field], id: 'x' });
  }
  // What has no deciding field, or none that is given, is the school's, a person's or itself.
  const alone = belongingOf(table, {});
  expect(['school', 'person', 'self', 'vocabulary']).toContain(alone);
});

test.each<[string, Parameters<typeof belongingOf>, ReturnType<typeof belongingOf>]>([
  [
    'a note of a lesson',
    ['note', { own: false, lessonId: 'l', sectionId: 's' }],
    { table: 'lesson', id: 'l' },
  ],
  [
    'a note of a class',
    ['note', { own: false, lessonId: null, sectionId: 's' }],
    { table: 'section', id: 's' },
  ],
  ['a note of neither', ['note', { own: false, lessonId: null, sectionId: null }], 'person'],
  ['an own note of a lesson', ['note', { own: true, lessonId: 'l', sectionId: 's' }], 'person'],
  ['a look-for of a class', ['lookFor', { sectionId: 's' }], { table: 'section', id: 's' }],
  ['a look-for of all classes', ['lookFor', { sectionId: null }], 'vocabulary'],
  ['a step about a student in no class', ['step', { studentId: 'x', sectionId: null }], 'person'],
  ['a student', ['student', {}], 'self'],
  ['a phrase', ['phrase', { shared: false }], 'person'],
  ['a phrase of the school', ['phrase', { shared: true }], 'school'],
])('%s', (_what, [table, record], expected) => {
  expect(belongingOf(table, record)).toEqual(expected);
});

test.each(tableNames)('%s: whoever writes it reads it, and somebody does', (table) => {
  const writers = accessRoles.filter((role) => writes(role, table));
  expect(writers.length).toBeGreaterThan(0);
  for (const role of writers) expect(reads(role, table)).toBe(true);
  for (const role of ['member', 'colleague'] as const) expect(writes(role, table)).toBe(false);
  expect([reads(null, table), writes(null, table)]).toEqual([false, false]);
});

test('nobody in a class reads a record without the one that it hangs on', () => {
  for (const table of tableNames)
    for (const field of decidingFields(table).filter((name) => !switches.includes(name)))
      for (const role of ['teacher', 'cover', 'assistant'] as const) {
        const above = references[table]?.[field];
        if (above && reads(role, table))
          expect([table, role, reads(role, above)]).toEqual([table, role, true]);
      }
});

test('an assistant and a cover read no judgement, and the keeper of a school nothing of its classes', () => {
  const judged = [
    'note',
    'step',
    'quiet',
    'watchSetting',
    'guardian',
    'work',
    'handIn',
    'countComment',
  ] as const;
  for (const table of judged)
    expect([reads('assistant', table), reads('cover', table)]).toEqual([false, false]);
  const kept = tableNames.filter((table) => rights[table].reads.includes('keeper'));
  expect([...kept].sort()).toEqual([
    'dayOff',
    'draw',
    'focus',
    'lookFor',
    'nodReason',
    'phrase',
    'school',
    'standing',
    'term',
  ]);
});

import { gzipSync } from 'node:zlib';
import fc from 'fast-check';
import { namesLeft, noteText, shown, students } from './namedNotes';
import { draftForReader } from '../src/sharing/readerPage/draft';
import { en } from '../src/sharing/readerPage/fixedWords/en';
import { wordsIn } from '../src/sharing/readerPage/fixedWords/wordsIn';
import { dayIn, pageLanguages } from '../src/sharing/readerPage/language';
import type { PageFacts, StudentOnPage } from '../src/sharing/readerPage/onPage';
import { OthersHidden, schoolNames } from '../src/sharing/readerPage/othersHidden';
import { codePage, gonePage, readerPage } from '../src/sharing/readerPage/render/page';

test('no other student is named in what a reader gets: 200 notes, by given, family, called name and address', () => {
  fc.assert(
    fc.property(noteText, (text) => {
      const read = new OthersHidden(schoolNames(students), [shown!.id]).textOf(text);
      expect(namesLeft(read)).toEqual([]);
      expect(read.includes('Odalys')).toBe(text.includes('Odalys'));
    }),
    { numRuns: 200, seed: 24 },
  );
});

test.each([
  [
    'Odalys and Emre talked; we will see what Will Price says.',
    'Odalys and E. A. talked; we will see what W. P. says.',
  ],
  ['Maeve F. and Maeve D. swapped seats.', 'M. F. and M. D. swapped seats.'],
  ['One of the Maeves laughed.', 'One of the …s laughed.'],
  ['Write to emre.1@ternrock.example.', 'Write to ….'],
  ['Write to odalys.0@ternrock.example.', 'Write to odalys.0@ternrock.example.'],
  ['ODALYS SAT WITH BRAM DE WIT', 'ODALYS SAT WITH B. D.'],
])('%s becomes %s', (text, read) => {
  expect(new OthersHidden(schoolNames(students), ['s0']).textOf(text)).toBe(read);
});

test('a name that the student shares stays, and those who are shown together are named', () => {
  const drummond = new OthersHidden(schoolNames(students), ['s2']);
  expect(drummond.textOf('Maeve asked Jun.')).toBe('Maeve asked J.');
  expect(new OthersHidden(schoolNames(students), ['s0', 's1']).textOf('Odalys asked Emre and Jun.')).toBe(
    'Odalys asked Emre and J.',
  );
});

test('every language has every word, with the same blanks, and days in it', () => {
  const blanks = (text: string) => (text.match(/\{\w+\}/g) ?? []).sort();
  for (const language of pageLanguages) {
    for (const word of Object.keys(en) as (keyof typeof en)[]) {
      const kept = Object.fromEntries(blanks(en[word]).map((blank) => [blank.slice(1, -1), blank]));
      const text = wordsIn(language)(word, kept);
      expect([language, word, blanks(text)]).toEqual([language, word, blanks(en[word])]);
      expect(text.trim()).not.toBe('');
    }
    expect(dayIn(language, '2026-12-14', true)).toMatch(/14.*2026|2026.*14/);
  }
});

const lessons = Array.from(
  { length: 40 },
  (_, at) =>
    `2026-${String(9 + Math.floor(at / 20)).padStart(2, '0')}-${String((at % 20) + 1).padStart(2, '0')}`,
);
const student: StudentOnPage = {
  name: 'Odalys <i>Brandt</i>',
  classes: ['Boat "Workshop"'],
  presence: {
    ...{ taken: 40, late: 1, leftEarly: 0, away: 2, excused: 1 },
    lessons: lessons.map((date, at) => ({
      date,
      shape: at % 9 === 0 ? { kind: 'away', excused: at === 0 } : { kind: 'here' },
    })),
  },
  counts: [
    {
      ...{ name: 'Gave evidence', tone: 'wanted', measure: 'count', comment: 'More <b>often</b>.' },
      lessons: lessons.map((date, at) => ({ date, value: at % 7 === 0 ? null : at % 4 })),
    },
  ],
  engagement: lessons.map((date, at) => ({ date, value: at % 4 })),
  work: [{ title: 'Knots & bends', dueOn: '2026-10-02', status: 'late', score: '7 / 10' }],
  weather: [],
  nods: [{ date: '2026-11-20', text: 'Helped somebody, quay: stayed late' }],
  circles: [
    {
      date: '2026-10-01',
      feedback: 'You asked <why>.',
      goal: 'Ask (2)',
      isReached: false,
      nextGoal: 'Ask (1)',
    },
  ],
  observations: [
    {
      ...{ name: 'On <task>', definition: 'Eyes on the page', method: 'momentary', observedMinutes: 40 },
      phases: [
        { name: '', startsOn: null, median: 40, values: [{ date: '2026-10-01', value: 40 }] },
        {
          ...{ name: 'A seat in <front>', startsOn: '2026-10-10', median: 72.5 },
          values: [
            { date: '2026-10-12', value: 70 },
            { date: '2026-10-20', value: 75 },
          ],
        },
      ],
      comment: 'Looks up <often>.',
    },
  ],
  notes: [{ date: '2026-10-03', text: 'Spoke up.\nTwice.' }],
  steps: [],
};
const facts: PageFacts = {
  ...{ language: 'en', school: 'Tern Rock', teacher: 'Ines Halloran', from: '2026-09-01', to: '2026-11-23' },
  ...{
    until: '2026-12-07',
    levels: ['adrift', 'along', 'active', 'leading'],
    summary: '"Well" & <em>good</em>',
  },
  ...{ students: [student], section: null, mayWriteBack: true },
};

test('a page says what it was given, and nothing in it is taken for a tag; it ends every picture with its words', () => {
  const html = readerPage(facts, { code: '"><script>', heard: ['thanks'] });
  expect(html).toContain('38 of 40 lessons');
  expect(html).toContain('<dt>In all</dt><dd>51</dd>');
  expect(html).toContain('<dt>Lessons observed</dt><dd>34</dd>');
  expect(html).toContain('Your words have reached Ines Halloran.');
  expect(html).not.toMatch(/<script|<i>|<em>|<b>often/);
  expect(html.match(/<svg/g)).toHaveLength(4);
  expect(html.match(/<svg[^>]* role="img" aria-label="[^"]+"/g)).toHaveLength(4);
  expect(html).toContain('A seat in &lt;front&gt;, since 10 October, median');
  expect(gzipSync(html).length).toBeLessThan(7_000);
});

test.each(pageLanguages)('in %s the page says its language and direction', (language) => {
  const html = readerPage({ ...facts, language }, { code: '', heard: [] });
  expect(html).toContain(`<html lang="${language}" dir="${language === 'ar' ? 'rtl' : 'ltr'}">`);
  expect(html).not.toMatch(/\{\w+\}(?![^<]*<\/style>)/);
  expect(codePage(language, 'slow')).toContain(wordsIn(language)('slow'));
  expect(gonePage()).toContain(wordsIn(language)('gone').replace(/"/g, '&quot;'));
});

test('the draft says in sentences what the page shows', () => {
  expect(draftForReader({ ...student, name: 'Odalys Brandt' }, facts.levels)).toBe(
    'Odalys was there in 38 of 40 lessons, late in 1. Of the 2 absences 1 was excused. ' +
      'Gave evidence: 51 times in 34 lessons observed, 1.5 a lesson all along. ' +
      'On <task>, watched closely: at first 40 % (1 session) and since “A seat in <front>” 73 % (2 sessions). ' +
      'In at least half of 40 lessons looked at, Odalys was “along” or above. Of 1 piece of work 1 came late.',
  );
  const bare = { ...student, presence: null, counts: [], observations: [], engagement: [], work: [] };
  expect(draftForReader(bare, facts.levels)).toBe('');
});

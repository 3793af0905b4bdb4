import { matchPeople, type Known } from '@slate-path/core/attendance/participants/matchPeople';
import { peopleOf, type Participant } from '@slate-path/core/attendance/participants/readParticipants';
import { median, percentile } from './percentile';

const given = [
  'Mei',
  'Dario',
  'Caoimhe',
  'Emre',
  'Bram',
  'Odalys',
  'Imani',
  'Finlay',
  'Wren',
  'Yusra',
  'Astrid',
  'Mateo',
];
const family = [
  'Tanaka',
  'Quispe',
  'Rasmussen',
  'Aydın',
  'de Wit',
  'Castellano',
  'Tesfaye',
  'Haddadin',
  'Seabrook',
];
const at = (list: readonly string[], index: number) => list[index % list.length] ?? '';

const students: Known[] = Array.from({ length: 36 }, (_, index) => ({
  id: String(index),
  givenName: at(given, index),
  familyName: at(family, index * 5 + Math.floor(index / 12)),
  called: '',
  email: index % 3 === 0 ? `student${index}@x.example` : '',
  schoolId: '',
}));

/** Sixty entries: whole names, swapped, shortened, misspelt, and strangers. */
const entries: Participant[] = Array.from({ length: 60 }, (_, index) => {
  const { givenName, familyName } = students[index % 36] ?? { givenName: '', familyName: '' };
  const written = [
    `${givenName} ${familyName}`,
    `${familyName}, ${givenName}`,
    `${givenName} ${familyName[0] ?? ''}.`,
    `${givenName} ${familyName.slice(0, 2)}${familyName.slice(3)}`,
    `Stranger ${index}`,
  ][index % 5];
  const name = written ?? '';
  return { line: index + 1, written: name, name, email: '', schoolId: '', joined: null, left: null };
});

/** A class of 36 against a list of 60 entries. */
export function benchMatching(): Promise<Record<string, number>> {
  const options = { looseEmail: true, remembered: new Map<string, string | null>() };
  const took = Array.from({ length: 60 }, () => {
    const begun = performance.now();
    matchPeople(peopleOf(entries), students, options);
    return performance.now() - begun;
  });
  return Promise.resolve({
    'matching 36 against 60 entries p50 ms': median(took),
    'matching 36 against 60 entries p95 ms': percentile(took, 0.95),
  });
}

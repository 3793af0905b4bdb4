import { addDays, format, getISODay, parseISO } from 'date-fns';
import { ArchiveRows } from '@slate-path/core/keeping/archive/archiveRows';
import type { Archive } from '@slate-path/core/keeping/archive/tables';
import { familyNames, givenNames } from '../names';
import { Chance } from './chance';
import { drawEngagement, drawHandIn, drawIllness, drawMissed, drawOnline, drawWeather } from './draws';
import { drawMoods, type LessonMood } from './moods';
import { drawSeats } from './seats';
import {
  drawCulture,
  drawUsual,
  independent,
  plantedChanges,
  type PlantedChange,
  type Usual,
} from './students';

export interface TermOptions {
  seed: string;
  students: number;
  weeks: number;
  /** A Monday. */
  startsOn: string;
  /** One student for each, in this order; the rest only vary. */
  planted: readonly PlantedChange[];
  /** One more who misses 60 % of one weekday from the onset on. */
  weekday: boolean;
  /** Lessons held before a change begins. */
  onsetLesson: number;
  /** How far classes differ from each other; 0 is all alike. */
  variety: number;
  /** Days know nothing of each other: no weekdays, no weather, no colds, no illness; levels scatter far. */
  independent?: boolean;
}

/** What happened to a planted student. */
export interface Truth {
  studentId: string;
  story: PlantedChange | 'weekday';
  onsetLesson: number;
  before: Usual;
  after: Usual;
  /** ISO weekday of the story of that name. */
  day: number | null;
}

export interface SimulatedTerm {
  archive: Archive;
  usuals: Map<string, Usual>;
  moods: LessonMood[];
  truths: Truth[];
}

/** One student's term, lesson by lesson. */
function liveThrough(
  rows: ArchiveRows,
  chance: Chance,
  moods: readonly LessonMood[],
  id: string,
  joins: number,
  usualIn: (lesson: number) => Usual,
  missedShare: (lesson: number) => number | null,
): void {
  let illUntil = -1;
  moods.forEach((mood, at) => {
    const usual = usualIn(at);
    illUntil = drawIllness(chance, usual, mood, illUntil, at);
    const away = drawMissed(chance, usual, mood, missedShare(at)) || at <= illUntil;
    if (at < joins) return;
    const lesson = `l${at}`;
    const time = (minutes: number) =>
      `${mood.date}T${format(new Date(2000, 0, 1, 10, 40 + minutes), 'HH:mm:ss')}`;
    if (mood.taken && (away || chance.hit(usual.late)))
      rows.add('roll', {
        lesson_id: lesson,
        student_id: id,
        standing_id: away ? 'away' : 'late',
        arrived_at: away ? null : time(chance.whole(6, 20)),
        left_at: null,
        comment: '',
        source: 'tap',
      });
    if (!away) seenInLesson(rows, chance, mood, at, id, usual, time);
    const actions = drawOnline(chance, usual, mood);
    for (let action = 0; action < actions; action += 1)
      rows.add('activity', {
        id: `a${id}-${at}-${action}`,
        section_id: 's',
        student_id: id,
        at: `${mood.date}T${String(chance.whole(8, 20)).padStart(2, '0')}:${String(chance.whole(0, 59)).padStart(2, '0')}:00`,
        kind: 'open',
        place: 'course',
        object: '',
        seconds: null,
      });
    if (isDue(at)) handIn(rows, chance, mood, at, id, usual);
  });
}

/** Two pieces a week, due on Tuesdays and Fridays. */
const isDue = (at: number) => at % 5 === 1 || at % 5 === 4;

function seenInLesson(
  rows: ArchiveRows,
  chance: Chance,
  mood: LessonMood,
  at: number,
  id: string,
  usual: Usual,
  time: (minutes: number) => string,
): void {
  const lesson = `l${at}`;
  const tally = (look_for_id: string, mean: number) => {
    for (let left = chance.poisson(mean), n = 0; n < left; n += 1)
      rows.add('tallies', {
        id: `t${id}-${at}-${look_for_id}-${n}`,
        lesson_id: lesson,
        student_id: id,
        look_for_id,
        at: time(chance.whole(1, 49)),
        amount: 1,
      });
  };
  if (mood.observed) {
    tally('spoke', usual.voice * mood.voice);
    tally('disturbed', usual.trouble);
  }
  if (mood.swept) {
    const level = drawEngagement(chance, usual, mood);
    rows.add('sweeps', { lesson_id: lesson, student_id: id, level });
  }
  if (chance.hit(0.85)) {
    const weather = drawWeather(chance, usual);
    const said = { wants_word: false, lunch: '', comment: '' };
    rows.add('check_ins', { lesson_id: lesson, student_id: id, at: time(0), weather, ...said });
  }
  if (mood.noted)
    for (let left = chance.poisson(usual.stuck); left > 0; left -= 1) {
      const note = `n${id}-${at}-${left}`;
      rows.add('notes', { id: note, at: time(30), lesson_id: lesson, text: 'Stuck on the tide tables.' });
      rows.add('note_students', { note_id: note, student_id: id });
      rows.add('note_topics', { note_id: note, topic_id: 'stuck' });
    }
}

function handIn(
  rows: ArchiveRows,
  chance: Chance,
  mood: LessonMood,
  at: number,
  id: string,
  usual: Usual,
): void {
  const handedIn = drawHandIn(chance, usual, mood);
  const on = format(addDays(parseISO(mood.date), handedIn?.daysLate ?? 0), 'yyyy-MM-dd');
  rows.add('hand_ins', {
    work_id: `w${at}`,
    student_id: id,
    status: handedIn ? 'handed_in' : 'missing',
    handed_in_at: handedIn ? `${on}T${handedIn.daysLate > 0 ? '18:00:00' : '08:10:00'}` : null,
    handed_back_at: handedIn ? `${format(addDays(parseISO(on), 3), 'yyyy-MM-dd')}T16:00:00` : null,
    score: handedIn?.score ?? null,
  });
}

function addFrame(rows: ArchiveRows, moods: readonly LessonMood[]): void {
  rows.add('sections', { id: 's', name: 'Shore Ecology', subject: 'Shore Ecology', room: 'Lab' });
  rows.add('standings', {
    id: 'away',
    code: 'A',
    name: 'Away',
    counts_as: 'away',
    credit: 0,
    excused: false,
  });
  rows.add('standings', {
    id: 'late',
    code: 'L',
    name: 'Late',
    counts_as: 'late',
    credit: 1,
    excused: false,
  });
  rows.add('look_fors', { id: 'spoke', name: 'Spoke up', measure: 'count', tone: 'wanted' });
  rows.add('look_fors', { id: 'disturbed', name: 'Disturbed', measure: 'count', tone: 'unwanted' });
  rows.add('topics', { id: 'stuck', name: 'Stuck', trouble: true });
  moods.forEach(({ date, taken, noted }, at) => {
    const times = { starts_at: `${date}T10:40:00`, ends_at: `${date}T11:30:00` };
    rows.add('lessons', { id: `l${at}`, section_id: 's', ...times, status: 'held', label: '' });
    if (taken) rows.add('taken', { lesson_id: `l${at}`, taken_at: `${date}T10:45:00` });
    if (noted)
      rows.add('notes', {
        id: `day${at}`,
        at: `${date}T11:00:00`,
        lesson_id: `l${at}`,
        text: 'A calm lesson.',
      });
    if (isDue(at))
      rows.add('work', {
        id: `w${at}`,
        section_id: 's',
        title: `Sheet ${at}`,
        assigned_at: `${moods[Math.max(0, at - 3)]?.date ?? date}T11:30:00`,
        due_at: `${date}T10:40:00`,
        points: 100,
      });
  });
}

/** A class's term with realistic variation, and the stories that were asked for. */
export function simulateTerm(options: TermOptions): SimulatedTerm {
  const chance = new Chance(options.seed);
  const moods = drawMoods(chance, options);
  const rows = new ArchiveRows();
  addFrame(rows, moods);
  const culture = drawCulture(chance, options.variety);
  const usuals = new Map<string, Usual>();
  const truths: Truth[] = [];
  for (let index = 0; index < options.students; index += 1) {
    const id = `p${index}`;
    const story =
      options.planted[index] ?? (options.weekday && index === options.planted.length ? 'weekday' : null);
    const drawn = drawUsual(chance, culture);
    const change = story !== null && story !== 'weekday' ? plantedChanges[story] : null;
    const own = story === 'weekday' ? { away: 0.04, ill: 0.006 } : {};
    const apart = options.independent ? independent : {};
    const before: Usual = { ...drawn, ...change?.before, ...own, ...apart };
    const after: Usual = { ...before, ...change?.after };
    usuals.set(id, before);
    const day = story === 'weekday' ? chance.whole(1, 5) : null;
    const joins = story === null && chance.hit(0.05) ? chance.whole(5, 40) : 0;
    rows.add('students', {
      id,
      given_name: givenNames[index % givenNames.length] ?? id,
      family_name: familyNames[(index * 7) % familyNames.length] ?? '',
      called: '',
      email: '',
      grade: '',
    });
    const starts_on = joins > 0 ? (moods[joins]?.date ?? null) : null;
    rows.add('enrolments', { section_id: 's', student_id: id, cohort: '', starts_on, ends_on: null });
    if (story !== null)
      truths.push({ studentId: id, story, onsetLesson: options.onsetLesson, before, after, day });
    const usualIn = (lesson: number) => (lesson >= options.onsetLesson ? after : before);
    const onDay = (lesson: number) =>
      day !== null && lesson >= options.onsetLesson && getISODay(parseISO(moods[lesson]?.date ?? '')) === day
        ? 0.6
        : null;
    liveThrough(rows, chance, moods, id, joins, usualIn, onDay);
  }
  drawSeats(rows, new Chance(`${options.seed} seats`), [...usuals.keys()], moods);
  return { archive: rows.archive, usuals, moods, truths };
}

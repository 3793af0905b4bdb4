import type { Change } from '../changes/schema';

/** What changes are about, by the first part of their kind, as whoever made one would call it. */
const about: Record<string, string> = {
  checkIn: 'Check-ins',
  circle: 'A circle',
  cohort: 'A cohort',
  concern: 'A concern that was put aside',
  countComment: 'A comment on counts',
  dayOff: 'A day off',
  draw: 'A draw',
  enrolment: 'Who is in a class',
  focus: 'Look-fors',
  followUp: 'A day to look again',
  levelNames: 'Names of engagement levels',
  lookFor: 'A look-for',
  game: 'A game of sides',
  gamePoint: 'Points of a side',
  observationPlan: 'What is watched closely',
  observationPhase: 'A change during close watch',
  observationComment: 'A summary of close watch',
  observation: 'A session of close watch',
  observationEvent: 'What was seen in close watch',
  group: 'A group of students',
  handIn: 'How a piece of work came',
  lesson: 'A lesson',
  meeting: 'The timetable',
  message: 'A message',
  nod: 'A nod',
  nodReason: 'A reason for nods',
  nodTelling: 'Whom nods are told to',
  note: 'A note',
  pathSummary: 'A summary',
  phrase: 'A phrase',
  piece: 'A piece of work',
  task: 'A piece of work',
  participants: 'A participant list',
  roll: 'Marks on a roll',
  room: 'A room plan',
  seatWish: 'A wish of where somebody sits',
  roomTone: "The room's tone",
  roster: 'A roster',
  school: 'The school',
  section: 'A class',
  standing: 'Attendance kinds',
  step: 'A step',
  student: 'A student',
  sweep: 'A sweep',
  tally: 'A tally',
  tallying: 'A tally',
  term: 'A term',
  tick: 'A tick-sheet',
  tickColumn: 'A column of a tick-sheet',
  ticks: 'A file for a tick-sheet',
  topic: 'A topic',
  turn: 'A turn',
  watchSetting: 'What is watched',
  work: 'A file of work',
  undo: 'Something taken back',
};

/** The fields in which people write, wherever they stand in a change. */
const written = new Set(['text', 'comment', 'body', 'because', 'feedback', 'nextGoal']);

function* textsIn(value: unknown): Generator<string> {
  if (value === null || typeof value !== 'object') return;
  for (const [field, inner] of Object.entries(value)) {
    if (typeof inner !== 'string') yield* textsIn(inner);
    else if (written.has(field) && inner.trim() !== '') yield inner.trim();
  }
}

/**
 * What a change was, for whoever made it and has to decide about it, with the words that they wrote in it.
 * @returns `what` as a heading; `texts` in the order of the change, none where nothing was written
 */
export function changeWords({ kind, payload }: Pick<Change, 'kind' | 'payload'>): {
  what: string;
  texts: string[];
} {
  return { what: about[kind.split('.')[0] ?? ''] ?? 'A change', texts: [...textsIn(payload)] };
}

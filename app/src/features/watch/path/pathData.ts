import { isWholeDay } from '@slate-path/core/calendar/lessons';
import { many } from '@slate-path/core/words/many';
import { localMoment } from '@slate-path/core/calendar/zone';
import { listOf, type Records } from '@slate-path/core/records/records';
import type { Enrolment, Lesson } from '@slate-path/core/records/schema';
import type { RollBook } from '@slate-path/core/attendance/roll/book';
import { isEnrolledOn, presenceIn } from '@slate-path/core/attendance/roll/totals';
import type { WatchItem } from '@slate-path/core/watch/signals/watchClass';
import { gamesOf } from '@slate-path/core/observation/sides/ofStudent';
import { gameWords } from '@slate-path/core/observation/sides/gameWords';
import { statusOf, type PieceStatus } from '@slate-path/core/work/pieceStatus';

export type LaneName = 'engagement' | 'presence' | 'elsewhere' | 'voice' | 'trouble' | 'weather' | 'pins';

export interface Pin {
  id: string;
  date: string;
  kind: 'note' | 'nod' | 'step' | 'message' | 'game' | 'observation';
  words: string;
  noteId: string | null;
}

interface Value {
  date: string;
  value: number;
}

/** Everything that is drawn of one student, laid out by date. */
export interface PathData {
  startsOn: string;
  lanes: LaneName[];
  engagement: Value[];
  /** The usual of engagement, from and to. */
  usual: [number, number] | null;
  /** Share of each lesson there; null for one set aside. */
  presence: { key: string; date: string; there: number | null }[];
  /** Actions by day, and pieces of work where they were due. */
  elsewhere: Value[];
  pieces: { date: string; status: PieceStatus }[];
  voice: Value[];
  trouble: Value[];
  weather: Value[];
  pins: Pin[];
  daysOff: { startsOn: string; endsOn: string }[];
  /** Days on which concerns began. */
  onsets: string[];
  spoken: string;
}

export interface PathInput {
  records: Records;
  studentId: string;
  enrolments: readonly Enrolment[];
  lessons: readonly Lesson[];
  book: RollBook;
  zone: string;
  today: string;
  concerns: readonly WatchItem[];
  /** What was done elsewhere, as the server has added it up. */
  elsewhere: readonly { day: string; count: number }[];
}

function presenceLane({ enrolments, lessons, book, studentId, today }: PathInput): PathData['presence'] {
  return lessons.flatMap((lesson) => {
    const isIn = enrolments.some((e) => e.sectionId === lesson.sectionId && isEnrolledOn(e, lesson.date));
    if (!isIn || lesson.date > today) return [];
    if (lesson.setAside) return [{ key: lesson.id, date: lesson.date, there: null }];
    const presence = presenceIn(lesson, studentId, book);
    if (!presence) return [];
    const there = presence.setAside
      ? null
      : presence.there && !presence.away
        ? presence.there.to - presence.there.from
        : 0;
    return [{ key: lesson.id, date: lesson.date, there }];
  });
}

/** Sums of one tone by day, for days on which anything was seen. */
function strokes({ records, studentId, zone }: PathInput, tone: 'wanted' | 'unwanted'): Value[] {
  const byDay = new Map<string, number>();
  for (const tally of listOf(records, 'tally')) {
    if (tally.studentId !== studentId || records.lookFor[tally.lookForId]?.tone !== tone) continue;
    const date = records.lesson[tally.lessonId]?.date ?? localMoment(Date.parse(tally.at), zone).date;
    const measure = records.lookFor[tally.lookForId]?.measure;
    byDay.set(date, (byDay.get(date) ?? 0) + (measure === 'count' ? (tally.amount ?? 1) : 1));
  }
  return [...byDay]
    .map(([date, value]) => ({ date, value }))
    .filter(({ value }) => value > 0)
    .sort(byDate);
}

const byDate = (a: { date: string }, b: { date: string }) => (a.date < b.date ? -1 : 1);

function pinsOf({ records, studentId, zone }: PathInput): Pin[] {
  const dayOf = (instant: string) => localMoment(Date.parse(instant), zone).date;
  const links = new Set(
    listOf(records, 'noteStudent')
      .filter((link) => link.studentId === studentId)
      .map(({ noteId }) => noteId),
  );
  const notes = listOf(records, 'note').filter(({ id }) => links.has(id));
  const of = <T extends { studentId: string }>(list: T[]) =>
    list.filter((one) => one.studentId === studentId);
  return [
    ...notes.map(({ id, at, text }): Pin => ({
      id,
      date: dayOf(at),
      kind: 'note',
      words: text.length > 90 ? `${text.slice(0, 88)}…` : text,
      noteId: id,
    })),
    ...of(listOf(records, 'step')).map(({ id, at, kind, text }): Pin => ({
      id,
      date: dayOf(at),
      kind: 'step',
      words: text ? `${kind}: ${text}` : kind,
      noteId: null,
    })),
    ...of(listOf(records, 'nod')).map(({ id, at, reason }): Pin => ({
      id,
      date: at.slice(0, 10),
      kind: 'nod',
      words: `Nod for ${reason}`,
      noteId: null,
    })),
    ...of(listOf(records, 'message')).map(({ id, writtenAt, subject }): Pin => ({
      id,
      date: dayOf(writtenAt),
      kind: 'message',
      words: `Written: ${subject}`,
      noteId: null,
    })),
    ...gamesOf(studentId, listOf(records, 'game'), listOf(records, 'gamePoint')).map(
      ({ game, ...played }): Pin => ({
        id: game.id,
        date: dayOf(game.startedAt),
        kind: 'game',
        words: gameWords({ game, ...played }),
        noteId: null,
      }),
    ),
    ...watchedPins(records, studentId, dayOf),
  ].sort(byDate);
}

/** The sessions in which a student was watched closely; what each told stands on the page of its class. */
function watchedPins(records: Records, studentId: string, dayOf: (at: string) => string): Pin[] {
  return listOf(records, 'observation')
    .filter(({ studentIds, besideId }) => studentIds.includes(studentId) && besideId === null)
    .map((session): Pin => ({
      id: session.id,
      date: dayOf(session.startedAt),
      kind: 'observation',
      words: `Close watch: ${records.observationPlan[session.planId]?.name ?? 'a session'}`,
      noteId: null,
    }));
}

/** How each piece stands of which something is known. */
function piecesOf({ records, studentId, today }: PathInput): PathData['pieces'] {
  return listOf(records, 'handIn')
    .flatMap((handIn) => {
      const dueAt = handIn.studentId === studentId ? records.work[handIn.workId]?.dueAt : null;
      return dueAt && !records.work[handIn.workId]?.removed
        ? [{ date: dueAt.slice(0, 10), status: statusOf(dueAt, handIn, `${today}T23:59:59`) }]
        : [];
    })
    .filter(({ date }) => date <= today)
    .sort(byDate);
}

/** What is drawn of a student, from what this device knows. */
export function pathData(input: PathInput): PathData {
  const { records, studentId, today, concerns } = input;
  const dateOf = (lessonId: string) => records.lesson[lessonId]?.date ?? '';
  const engagement = listOf(records, 'sweep')
    .flatMap(({ lessonId, studentId: who, level }) =>
      who === studentId && level !== null && dateOf(lessonId)
        ? [{ date: dateOf(lessonId), value: level }]
        : [],
    )
    .sort(byDate);
  const weather = listOf(records, 'checkIn')
    .flatMap(({ lessonId, studentId: who, weather: value }) =>
      who === studentId && value !== null && dateOf(lessonId) ? [{ date: dateOf(lessonId), value }] : [],
    )
    .sort(byDate);
  const presence = presenceLane(input);
  const pieces = piecesOf(input);
  const elsewhere = input.elsewhere.map(({ day, count }) => ({ date: day, value: count }));
  const [voice, trouble, pins] = [strokes(input, 'wanted'), strokes(input, 'unwanted'), pinsOf(input)];
  const known = concerns.flatMap(({ evidence }) => evidence).find(({ stream }) => stream === 'engagement');
  const levels = engagement.map(({ value }) => value).sort((a, b) => a - b);
  const middle =
    levels.length < 6
      ? null
      : ([levels[Math.floor(levels.length / 6)] ?? 0, levels[Math.floor((levels.length * 5) / 6)] ?? 3] as [
          number,
          number,
        ]);
  const filled: Record<LaneName, boolean> = {
    engagement: engagement.length > 0,
    presence: presence.length > 0,
    elsewhere: elsewhere.length + pieces.length > 0,
    voice: voice.length > 0,
    trouble: trouble.length > 0,
    weather: weather.length > 0,
    pins: pins.length > 0,
  };
  const lanes = (Object.keys(filled) as LaneName[]).filter((name) => filled[name]);
  const missed = presence.filter(({ there }) => there === 0).length;
  return {
    startsOn: presence[0]?.date ?? today,
    lanes,
    engagement,
    usual: known ? known.band : middle,
    presence,
    elsewhere,
    pieces,
    voice,
    trouble,
    weather,
    pins,
    daysOff: listOf(records, 'dayOff').filter((off) => isWholeDay(off) && off.startsOn <= today),
    onsets: [...new Set(concerns.map(({ since }) => since))],
    spoken: `A line of time with ${many(presence.length, 'lesson')}, ${missed} of them missed, ${many(engagement.length, 'sweep')}, ${many(voice.length, 'day')} with wanted and ${trouble.length} with unwanted tallies, ${many(pins.length, 'pin')}${elsewhere.length + pieces.length > 0 ? `; something done elsewhere on ${many(elsewhere.length, 'day')}, ${many(pieces.length, 'piece')} of work` : ''}.`,
  };
}

import { z } from 'zod';
import { calendarFields } from './calendarFields';
import { circleFields } from './circleFields';
import { closeWatchFields } from './closeWatchFields';
import { nodFields } from './nodFields';
import { noteFields } from './noteFields';
import { phraseFields } from './phraseFields';
import { roomFields } from './roomFields';
import { sidesFields } from './sidesFields';
import { tallyFields } from './tallyFields';
import { tickFields } from './tickFields';
import { contactTones } from '../contact/tones';
import { watchFields } from './watchFields';
import { workFields } from './workFields';
import {
  Email,
  Id,
  Instant,
  LocalDate,
  LocalTime,
  messageReaders,
  name,
  optionalEmail,
  shortText,
} from './values';

export { lookForMeasures, lookForTones } from './tallyFields';
export { Email, Id, Instant, LocalDate, LocalTime, Zone } from './values';

export const countsAs = ['here', 'late', 'left_early', 'away', 'not_counted'] as const;
export const turnOutcomes = ['drawn', 'spoke', 'passed', 'skipped'] as const;
export const markSources = ['tap', 'check_in', 'participants', 'range', 'work'] as const;
export const lessonModes = [
  'roll',
  'tally',
  'sweep',
  'circle',
  'turns',
  'nods',
  'ticks',
  'sides',
  'tone',
  'watch',
] as const;

/**
 * The fields of every kind of record, one schema each: the same names from database to screen.
 * Every record also has an `id`; the server adds its owner and when each field was last decided.
 */
export const recordFields = {
  ...calendarFields,
  section: z.object({
    name: name.min(1, 'A class needs a name'),
    subject: name,
    room: name,
    /** Null: as the school has it. */
    graceMinutes: z.int().min(0).max(60).nullable(),
    awayFromShare: z.number().min(0.05).max(1).nullable(),
    latesPerAbsence: z.int().min(2).max(20).nullable(),
    creditBy: z.enum(['standing', 'minutes']),
    halfDayMinutes: z.int().min(1).max(720).nullable(),
    /** The class it is taught together with: their lessons at one time have one roll. */
    taughtWithId: Id.nullable(),
    /** Does a day on which a student finished own work count as attended, and one without as missed? */
    attendedByWork: z.boolean().default(false),
    /** From so many minutes of finished work a day is a whole one, with less a half; null: any is whole. */
    wholeDayMinutes: z.int().min(1).max(720).nullable(),
    /** What its lessons have, in this order; empty: everything. */
    lessonModes: z.array(z.enum(lessonModes)).max(lessonModes.length).default([]),
  }),
  student: z.object({
    givenName: name,
    familyName: name,
    called: name,
    email: optionalEmail,
    grade: shortText,
    schoolId: shortText,
  }),
  guardian: z.object({
    studentId: Id,
    name,
    email: optionalEmail,
    phone: shortText,
    relation: shortText,
  }),
  enrolment: z.object({
    sectionId: Id,
    studentId: Id,
    cohort: shortText,
    startsOn: LocalDate.nullable(),
    endsOn: LocalDate.nullable(),
  }),
  standing: z.object({
    code: z.string().trim().min(1).max(4),
    name: name.min(1),
    countsAs: z.enum(countsAs),
    credit: z.number().min(0).max(1),
    excused: z.boolean(),
    position: z.int().min(0),
    /** The standing that it counts as since they were merged. */
    mergedIntoId: Id.nullable(),
  }),
  lesson: z.object({
    sectionId: Id,
    date: LocalDate,
    startsAt: LocalTime,
    endsAt: LocalTime,
    label: shortText,
    setAside: z.boolean(),
    takenAt: Instant.nullable(),
  }),
  mark: z.object({
    lessonId: Id,
    studentId: Id,
    standingId: Id.nullable(),
    arrivedAt: LocalTime.nullable(),
    leftAt: LocalTime.nullable(),
    comment: z.string().max(500, 'A comment has at most 500 characters'),
    source: z.enum(markSources),
  }),
  // What was written to a student or the guardians, one by one, with everything filled in.
  message: z.object({
    studentId: Id,
    /** Those written in one go have the same. */
    noticeId: Id,
    /** What it is about, so that the same is not written twice unawares: a lesson, a month, a list. */
    occasion: shortText,
    reason: shortText,
    toWhom: z.enum(messageReaders),
    addresses: z.array(Email).min(1).max(8),
    subject: z.string().trim().min(1, 'A message needs a subject').max(200),
    body: z.string().trim().min(1, 'There is nothing in this message').max(5000),
    writtenAt: Instant,
    /** It goes out no earlier, and not at all once it was taken back. */
    notBefore: Instant.nullable().default(null),
    tone: z.enum(contactTones).default('neutral'),
    /** Each of its addresses sees the others. Still each gets a letter of its own. */
    showsAddresses: z.boolean().default(false),
  }),
  // Who an entry of a class's participant lists is, once it was asked; null is nobody of the class.
  participantAnswer: z.object({
    sectionId: Id,
    entry: z.string().min(1).max(254),
    studentId: Id.nullable(),
  }),
  // How students of a class check themselves in; its id is the class's.
  checkInSetting: z.object({
    sectionId: Id,
    opensMinutesBefore: z.int().min(0).max(120),
    /** After the beginning of the lesson. */
    closesMinutesAfter: z.int().min(1).max(240),
    lunchChoices: z.array(z.string().trim().min(1).max(40)).max(12),
    /** Only the given name and the first letter of the family name are shown. */
    shortNames: z.boolean(),
  }),
  // What a student said on coming in; one a lesson, a second time from the same device corrects the first.
  checkIn: z.object({
    lessonId: Id,
    studentId: Id,
    at: Instant,
    /** Storm 1, rain, cloud, breaks, clear 5; null is no answer. */
    weather: z.int().min(1).max(5).nullable(),
    wantsWord: z.boolean(),
    lunch: z.string().max(40),
    comment: z.string().max(500),
    /** Which device it came from: only that it is another one matters. */
    device: z.string().max(64),
    /** The one before from this device was another student's. */
    sameDevice: z.boolean(),
  }),
  // Said for a student who had checked in already, from another device: kept beside the first, which stays.
  otherCheckIn: z.object({
    lessonId: Id,
    studentId: Id,
    at: Instant,
    weather: z.int().min(1).max(5).nullable(),
    wantsWord: z.boolean(),
    lunch: z.string().max(40),
    comment: z.string().max(500),
    device: z.string().max(64),
  }),
  ...tallyFields,
  studentGroup: z.object({
    sectionId: Id,
    name: z.string().trim().min(1, 'A group needs a name').max(40, 'At most 40 characters'),
    studentIds: z.array(Id).min(1, 'Nobody is in it').max(60),
  }),
  // How engaged a student was in a lesson, 0 to 3; null is not set.
  sweep: z.object({ lessonId: Id, studentId: Id, level: z.int().min(0).max(3).nullable() }),
  // What the teacher calls the four levels; its id is the school's.
  levelNames: z.object({
    names: z
      .array(z.string().trim().min(1, 'A level needs a name').max(20, 'At most 20 characters'))
      .length(4),
  }),
  // Whose turn it was, drawn by lot: the seed and the chances let anybody check it.
  turn: z.object({
    lessonId: Id,
    studentId: Id,
    at: Instant,
    seed: z.int().min(0),
    chances: z
      .array(z.object({ studentId: Id, weight: z.number().positive() }))
      .min(1)
      .max(200),
    outcome: z.enum(turnOutcomes),
  }),
  ...circleFields,
  ...roomFields,
  ...noteFields,
  ...watchFields,
  ...workFields,
  ...phraseFields,
  ...nodFields,
  ...tickFields,
  ...sidesFields,
  ...closeWatchFields,
} as const;

export type TableName = keyof typeof recordFields;
export type FieldsOf<T extends TableName> = z.infer<(typeof recordFields)[T]>;
/** A record as everyone sees it. `removed` ones are kept, shown nowhere, and can be taken back. */
export type RecordOf<T extends TableName> = FieldsOf<T> & { id: string; removed: boolean };

export type School = RecordOf<'school'>;
export type Term = RecordOf<'term'>;
export type DayOff = RecordOf<'dayOff'>;
export type Section = RecordOf<'section'>;
export type Meeting = RecordOf<'meeting'>;
export type Student = RecordOf<'student'>;
export type Guardian = RecordOf<'guardian'>;
export type Enrolment = RecordOf<'enrolment'>;
export type Standing = RecordOf<'standing'>;
export type Lesson = RecordOf<'lesson'>;
export type Mark = RecordOf<'mark'>;
export type Message = RecordOf<'message'>;
export type CheckIn = RecordOf<'checkIn'>;
export type OtherCheckIn = RecordOf<'otherCheckIn'>;
export type CheckInSetting = RecordOf<'checkInSetting'>;
export type LookFor = RecordOf<'lookFor'>;
export type Focus = RecordOf<'focus'>;
export type Tallying = RecordOf<'tallying'>;
export type Tally = RecordOf<'tally'>;
export type CountComment = RecordOf<'countComment'>;
export type StudentGroup = RecordOf<'studentGroup'>;
export type Circle = RecordOf<'circle'>;
export type CircleMember = RecordOf<'circleMember'>;
export type RoomPlan = RecordOf<'roomPlan'>;
export type Seating = RecordOf<'seating'>;
export type SeatWish = RecordOf<'seatWish'>;
export type Sweep = RecordOf<'sweep'>;
export type Turn = RecordOf<'turn'>;
export type Note = RecordOf<'note'>;
export type NoteStudent = RecordOf<'noteStudent'>;
export type NoteTopic = RecordOf<'noteTopic'>;
export type Topic = RecordOf<'topic'>;
export type FollowUp = RecordOf<'followUp'>;
export type Step = RecordOf<'step'>;
export type Quiet = RecordOf<'quiet'>;
export type WatchSetting = RecordOf<'watchSetting'>;
export type PathSummary = RecordOf<'pathSummary'>;
export type Work = RecordOf<'work'>;
export type HandIn = RecordOf<'handIn'>;
export type Activity = RecordOf<'activity'>;
export type Nod = RecordOf<'nod'>;
export type NodReason = RecordOf<'nodReason'>;
export type NodTelling = RecordOf<'nodTelling'>;
export type Draw = RecordOf<'draw'>;
export type TickColumn = RecordOf<'tickColumn'>;
export type Tick = RecordOf<'tick'>;
export type Game = RecordOf<'game'>;
export type GamePoint = RecordOf<'gamePoint'>;
export type RoomTone = RecordOf<'roomTone'>;
export type ObservationPlan = RecordOf<'observationPlan'>;
export type ObservationPhase = RecordOf<'observationPhase'>;
export type Observation = RecordOf<'observation'>;
export type ObservationEvent = RecordOf<'observationEvent'>;
export type ObservationComment = RecordOf<'observationComment'>;
export type Phrase = RecordOf<'phrase'>;
export type PhraseUse = RecordOf<'phraseUse'>;
export type ParticipantAnswer = RecordOf<'participantAnswer'>;

/** A record that a schema describes, with what every record has. */
export function recordSchema<T extends TableName>(table: T) {
  return z.object({ id: z.string(), removed: z.boolean(), ...recordFields[table].shape });
}

import { z } from 'zod';
import { Id, LocalDate } from '../records/schema';
import { Done, rows, type Endpoint } from './endpoint';

const OfStudent = z.object({ studentId: Id });

const Named = z.object({
  id: z.string(),
  givenName: z.string(),
  familyName: z.string(),
  called: z.string(),
  grade: z.string(),
});

/** A class that somebody is or was in, and who teaches it. */
const Taught = z.object({ sectionId: z.string(), name: z.string(), teachers: z.array(z.string()) });

export const grantEndpoints = {
  pathGrants: {
    summary: 'The students whose whole paths are given to whoever asks.',
    answer: z.object({
      given: z.array(
        z.object({
          id: z.string(),
          student: Named,
          grantedBy: z.string(),
          since: z.iso.datetime(),
          classes: z.array(Taught),
        }),
      ),
    }),
  },
  grantsOfPath: {
    summary: 'To whom a student’s whole path is given.',
    params: OfStudent,
    answer: z.object({
      grants: z.array(
        z.object({
          id: z.string(),
          personId: z.string(),
          name: z.string(),
          grantedBy: z.string(),
          since: z.iso.datetime(),
        }),
      ),
    }),
  },
  grantPath: {
    summary:
      'Gives a student’s whole path to a colleague to read: attendance, tallies, work, steps and the classes’ notes, of all classes. Nobody’s own notes.',
    params: OfStudent,
    body: z.strictObject({ personId: Id }),
    answer: z.object({ id: z.string() }),
  },
  endGrant: {
    summary: 'Takes a path back from whoever it was given to; they can also give it back themselves.',
    params: z.object({ grantId: z.string().max(64) }),
    answer: Done,
  },
  grantedPath: {
    summary:
      'The whole path of a student, for whoever it was given to. Other students stand in notes by their initials.',
    params: OfStudent,
    answer: z.object({
      /** Not laid into the records of a device: it shows classes that are not the reader’s. */
      path: z.object({
        student: rows('student'),
        guardian: rows('guardian'),
        section: rows('section'),
        enrolment: rows('enrolment'),
        lesson: rows('lesson'),
        mark: rows('mark'),
        checkIn: rows('checkIn'),
        otherCheckIn: rows('otherCheckIn'),
        sweep: rows('sweep'),
        tally: rows('tally'),
        lookFor: rows('lookFor'),
        step: rows('step'),
        work: rows('work'),
        handIn: rows('handIn'),
        note: rows('note'),
        noteStudent: rows('noteStudent'),
      }),
      /** What was done elsewhere, day by day. */
      elsewhere: z.array(z.object({ day: LocalDate, count: z.int() })),
      classes: z.array(Taught),
      /** Who wrote a note or a step, by its id. */
      writers: z.record(z.string(), z.string()),
      grantedBy: z.string(),
      since: z.iso.datetime(),
    }),
  },
} satisfies Record<string, Endpoint>;

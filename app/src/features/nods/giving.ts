import { useMemo } from 'react';
import { localMoment } from '@slate-path/core/calendar/zone';
import { nodLetter } from '@slate-path/core/nods/letter';
import { tellAt } from '@slate-path/core/nods/tellAt';
import { addressesOf } from '@slate-path/core/people/messages/readers';
import { displayName } from '@slate-path/core/people/names';
import { listOf, type Records } from '@slate-path/core/records/records';
import type { Lesson, Message, Nod, NodReason, Student } from '@slate-path/core/records/schema';
import { useAccount } from '../../sync/account';
import { now, zoneOf } from '../../sync/clock';
import { makeChange, newId, type Concerns } from '../../sync/outbox';
import { useRecords } from '../../sync/useRecords';

/** What *Take back* calls nods by. */
export const nodsHistory = 'nods';

/** The reasons that are offered, in their order. */
export function useReasons(): NodReason[] {
  const reasons = useRecords(({ current }) => current.nodReason);
  return useMemo(
    () =>
      Object.values(reasons)
        .filter(({ removed }) => !removed)
        .sort((a, b) => a.position - b.position || a.name.localeCompare(b.name)),
    [reasons],
  );
}

/** What a nod is for, and where. */
export interface NodWords {
  reason: string;
  place: string;
  comment: string;
}

const readers = [
  ['student', 'toStudents'],
  ['guardians', 'toGuardians'],
] as const;
/** At most so many guardians are told. */
const mostGuardians = 2;

function letterTo(records: Records, student: Student, nod: Pick<Nod, 'sectionId'> & NodWords) {
  const className = nod.sectionId === null ? '' : (records.section[nod.sectionId]?.name ?? '');
  const { teacherName } = useAccount.getState();
  return (toWhom: Message['toWhom']) =>
    nodLetter({ ...nod, fullName: displayName(student), className, teacherName }, toWhom);
}

/** What the student and the guardians get about a nod, where the class has them told. */
function messagesFor(
  records: Records,
  nodId: string,
  student: Student,
  nod: Pick<Nod, 'sectionId'> & NodWords,
) {
  const telling = nod.sectionId === null ? undefined : records.nodTelling[nod.sectionId];
  if (!telling || telling.removed) return [];
  const guardians = listOf(records, 'guardian');
  const [school] = listOf(records, 'school');
  const written = letterTo(records, student, nod);
  return readers.flatMap(([toWhom, is]) => {
    const addresses = telling[is] ? addressesOf(student, guardians, toWhom).slice(0, mostGuardians) : [];
    if (addresses.length === 0) return [];
    return [
      {
        ...{ id: `${nodId}.${toWhom}`, noticeId: nodId, studentId: student.id, toWhom, addresses },
        ...{ occasion: `nod ${nodId}`, reason: `A nod: ${nod.reason}`.slice(0, 200) },
        ...written(toWhom),
        tone: 'good' as const,
        showsAddresses: false,
        writtenAt: new Date(now()).toISOString(),
        notBefore: new Date(tellAt(now(), zoneOf(school), telling)).toISOString(),
      },
    ];
  });
}

/** When it was, on the school's clocks: now, or where the lesson is not on, at its beginning. */
function momentOf(records: Records, lesson: Lesson): string {
  const [school] = listOf(records, 'school');
  const { date, time } = localMoment(now(), zoneOf(school));
  const isOn = lesson.date === date && lesson.startsAt <= time && time <= lesson.endsAt;
  return `${lesson.date}T${isOn ? time : lesson.startsAt}:00`;
}

/** A nod to each of some students of one class. @returns the ids of the nods */
export function giveNods(lesson: Lesson, students: readonly Student[], words: NodWords): string[] {
  const records = useRecords.getState().current;
  const { sectionId } = lesson;
  const nods = students.map((student) => ({ id: newId(), studentId: student.id, student }));
  const messages = nods.flatMap(({ id, student }) =>
    messagesFor(records, id, student, { ...words, sectionId }),
  );
  makeChange(
    'nod.give',
    {
      nods: nods.map(({ id, studentId }) => ({ id, studentId })),
      ...{ ...words, sectionId, at: momentOf(records, lesson) },
      messages,
    },
    nodsHistory,
  );
  return nods.map(({ id }) => id);
}

const goesLater = ({ notBefore }: Pick<Message, 'notBefore'>) =>
  notBefore !== null && Date.parse(notBefore) > now();

/** Letters about a nod that have not gone yet. */
function waitingOf(records: Records, nodId: string): Message[] {
  return readers.flatMap(([toWhom]) => {
    const message = records.message[`${nodId}.${toWhom}`];
    return message && !message.removed && goesLater(message) ? [message] : [];
  });
}

/** Sets nods right; what goes home about them later says the same. */
export function setNods(nods: readonly Nod[], words: NodWords): void {
  const records = useRecords.getState().current;
  const messages = nods.flatMap((nod) => {
    const student = records.student[nod.studentId];
    if (!student) return [];
    const written = letterTo(records, student, { ...nod, ...words });
    return waitingOf(records, nod.id).map(({ id, toWhom }) => ({ id, body: written(toWhom).body }));
  });
  makeChange('nod.set', { ids: nods.map(({ id }) => id), ...words, messages }, nodsHistory);
}

/** Removes nods; letters about them that have not gone yet do not go. */
export function removeNods(nods: readonly Nod[]): void {
  const records = useRecords.getState().current;
  const ids = nods.map(({ id }) => id);
  const messageIds = ids.flatMap((id) => waitingOf(records, id).map((message) => message.id));
  makeChange('nod.remove', { ids, messageIds }, nodsHistory);
}

/** A letter that has gone is not taken back with its nod: that home was told stays known. */
export const stillHere: Concerns = ({ table, id }) => {
  if (table !== 'message') return true;
  const message = useRecords.getState().current.message[id];
  return message === undefined || goesLater(message);
};

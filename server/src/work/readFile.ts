import type { z } from 'zod';
import type { WorkFileReading } from '@slate-path/core/api/work';
import type { DateOrder } from '@slate-path/core/attendance/participants/moment';
import { matchWritten } from '@slate-path/core/work/bring/matchWritten';
import { readWorkFile } from '@slate-path/core/work/bring/readWorkFile';
import type { WorkReading } from '@slate-path/core/work/bring/reading';
import type { ClassKnown } from './classOf';
import { packed, withIds, type ActionOfStudent } from './actionParts';
import { withAddresses } from './hashedPeople';

interface FileRequest {
  bytes: Uint8Array;
  zone: string;
  order: DateOrder | undefined;
}

export interface WorkReadRequest extends FileRequest {
  /** Of the class: some files have only their hashes. */
  emails: readonly string[];
}

export type WorkRead = z.output<typeof WorkFileReading>;

/** Lines that one answer tells of; how many there are is said. */
const mostSaid = 200;

function kindsOf(actions: WorkReading['actions']): { name: string; count: number }[] {
  const counts = new Map<string, number>();
  for (const { kind } of actions) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  return [...counts].map(([name, count]) => ({ name, count })).sort((a, b) => b.count - a.count);
}

/** How a file is understood, with its actions added up: a hundred thousand of them are not looked through. */
export async function readWorkFor({ bytes, zone, order, emails }: WorkReadRequest): Promise<WorkRead> {
  const { actions, people: written, leftOut, told, ...reading } = await readWorkFile(bytes, { zone, order });
  const people = withAddresses(written, emails);
  const ofPerson = new Array<number>(people.length).fill(0);
  for (const { person } of actions) ofPerson[person] = (ofPerson[person] ?? 0) + 1;
  const days = actions.reduce(
    ({ from, to }, { at }) => ({ from: at < from ? at : from, to: at > to ? at : to }),
    { from: '9', to: '' },
  );
  return {
    ...reading,
    people: people.map((person, index) => ({ ...person, actions: ofPerson[index] ?? 0 })),
    actions: {
      count: actions.length,
      from: actions.length > 0 ? days.from.slice(0, 10) : null,
      to: actions.length > 0 ? days.to.slice(0, 10) : null,
      kinds: kindsOf(actions).slice(0, 40),
    },
    leftOut: leftOut.slice(0, mostSaid),
    leftOutCount: leftOut.length,
    told: told.slice(0, mostSaid),
    toldCount: told.length,
  };
}

export interface ActivityReadRequest extends FileRequest, ClassKnown {
  sectionId: string;
}

export interface ActivityRead {
  /** Packed, with their ids. */
  parts: Uint8Array[];
  ofNobody: number;
}

/** The actions of a file, of those who are known. */
export async function readActivityFor(request: ActivityReadRequest): Promise<ActivityRead> {
  const { bytes, zone, order, students, remembered, sectionId } = request;
  const { actions, people } = await readWorkFile(bytes, { zone, order });
  const emails = students.map(({ email }) => email);
  const who = matchWritten(withAddresses(people, emails), students, new Map(remembered)).students;
  const known: ActionOfStudent[] = [];
  for (const { person, at, kind, place, object, seconds, ref } of actions) {
    const studentId = who.get(person);
    if (studentId !== undefined) known.push([studentId, at, kind, place, object, seconds, ref]);
  }
  const parts = packed(await withIds(sectionId, known));
  return { parts, ofNobody: actions.length - known.length };
}

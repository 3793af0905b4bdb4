import { monotonicFactory } from 'ulid';
import type { FieldsOf } from '@slate-path/core/records/schema';
import { shippedStandings } from '@slate-path/core/roll/standings';
import { shippedFocuses } from '@slate-path/core/tallies/shipped';
import { applyChange } from '../changes/applyChange';
import { TeacherEntity } from '../database/entities';
import type { Services } from '../services';
import { hashPassphrase } from './passphrase';

export interface NewTeacher {
  name: string;
  passphrase: string;
  school: FieldsOf<'school'>;
}

/**
 * A teacher with a school and the standings that ship, through the one door like everything else.
 * @returns the teacher's id
 */
export async function createTeacher(
  services: Pick<Services, 'database' | 'clock'>,
  teacher: NewTeacher,
): Promise<string> {
  const { database } = services;
  // By the server's clock, like the ids of the devices: of two words at one moment the later id decides.
  // Of one moment too they rise, so that what ships keeps its order.
  const next = monotonicFactory();
  const newId = () => next(services.clock());
  const teacherId = newId();
  const now = new Date(services.clock()).toISOString();
  const passphraseHash = await hashPassphrase(teacher.passphrase);
  const line = { id: teacherId, name: teacher.name, passphraseHash, createdAt: now };
  await database.inTransaction((manager) => manager.insert(TeacherEntity, line));
  const beginnings = [
    { kind: 'school.set', payload: { id: newId(), ...teacher.school } },
    ...shippedStandings.map((standing) => ({ kind: 'standing.set', payload: { id: newId(), ...standing } })),
    ...shippedFocuses(newId).map((payload) => ({ kind: 'focus.set', payload })),
  ];
  for (const beginning of beginnings) {
    const change = { id: newId(), madeAt: now, device: 'server', ...beginning };
    const answer = await applyChange(database, change, { teacherId, receivedAt: now });
    if (answer.outcome === 'refused') throw new Error(`${beginning.kind}: ${answer.reason ?? ''}`);
  }
  return teacherId;
}

import type { Participant } from './readParticipants';

/** The same person of a list: by address, else by the name as written. */
export function personKey({
  email,
  name,
  schoolId,
}: Pick<Participant, 'email' | 'name' | 'schoolId'>): string {
  return email || schoolId || name.toLowerCase().replace(/\s+/g, ' ');
}

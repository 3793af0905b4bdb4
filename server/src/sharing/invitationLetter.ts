import { invitationDays } from '@slate-path/core/scopes/invitation';
import type { Invitation } from '../database/scopeEntities';
import type { Sql } from '../database/sql';
import type { NewLetter } from '../people/messages/letters';

const as: Record<Invitation['role'], string> = {
  teacher: 'a teacher',
  assistant: 'an assistant',
  reader: 'a reader of what is given to you',
};

/** An invitation as a letter. @param link where it leads to @param address of whoever is invited */
export function letterOf(
  sql: Sql,
  { id, schoolId, role, name, sectionId, invitedBy, madeAt }: Invitation,
  link: string,
  address: string,
): NewLetter {
  const nameIn = (table: string, of: string | null) =>
    sql.get<{ name: string }>(`SELECT "name" FROM "${table}" WHERE "id" = ?`, of)?.name ?? '';
  const [from, school, section] = [
    nameIn('teacher', invitedBy),
    nameIn('school', schoolId),
    nameIn('section', sectionId),
  ];
  const body = [
    `Dear ${name},`,
    `${from} invites you to ${school} as ${as[role]}${section ? `, and to ${section}` : ''}. This link makes your account:`,
    link,
    `It is good for one person and for ${invitationDays} days. If you do not expect it, leave it unopened.`,
  ].join('\n\n');
  return {
    ...{ id, kind: 'invitation', aboutId: id, teacherId: invitedBy, name, address, body, writtenAt: madeAt },
    subject: `Your invitation to ${school}`,
  };
}

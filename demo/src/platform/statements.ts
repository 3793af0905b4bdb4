import { createHash } from 'node:crypto';
import { minutesOf, timeOf } from '@slate-path/core/calendar/localTime';
import { instantOf } from '@slate-path/core/calendar/zone';
import type { DemoStudent } from '../people';
import { school } from '../scenario';
import type { Doing } from './onlineDay';

/** A statement of the Experience API, as this platform writes them. */
export interface PlatformStatement {
  id: string;
  actor: Record<string, unknown>;
  verb: { id: string; display: Record<string, string> };
  object: { id: string; definition: { name: Record<string, string> } };
  result?: { duration: string };
  context: { platform: string; contextActivities: { grouping: [PlatformStatement['object']] } };
  timestamp: string;
  stored: string;
}

export const platformName = 'Log book';
const home = 'https://board.ternrock.example';

const verbs: Record<Doing['verb'], string> = {
  opened: 'http://adlnet.gov/expapi/verbs/experienced',
  asked: 'http://adlnet.gov/expapi/verbs/asked',
  answered: 'http://adlnet.gov/expapi/verbs/answered',
  edited: 'http://activitystrea.ms/schema/1.0/update',
  posted: 'http://activitystrea.ms/schema/1.0/post',
  'handed in': 'http://activitystrea.ms/schema/1.0/submit',
};

const slug = (text: string) =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');

/** IRI of a class's course. */
export const courseOf = (className: string) => `${home}/courses/${slug(className)}`;

/** A UUID that is the same for the same text (RFC 9562, version 8). */
function uuidOf(text: string): string {
  const hex = createHash('sha256').update(text).digest('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

const sha1 = (text: string) => createHash('sha1').update(text).digest('hex');

/** Platforms name people by an account, an address, or its hash; this one has had all three. */
function actorOf({ givenName, familyName, email, schoolId }: DemoStudent): Record<string, unknown> {
  const name = `${givenName} ${familyName}`;
  const kind = Number(schoolId.slice(2)) % 5;
  if (kind === 0) return { name, mbox: `mailto:${email}` };
  if (kind === 1) return { mbox_sha1sum: sha1(`mailto:${email}`) };
  return { name, account: { homePage: home, name: schoolId } };
}

function instantAt({ date, second }: Doing): number {
  const minute = Math.floor(second / 60);
  const time = timeOf(Math.min(minute, minutesOf('23:59')));
  return instantOf({ date, time }, school.zone) + (second % 60) * 1000;
}

/** What somebody does, as a statement; the platform has it some seconds later. */
export function statementOf(student: DemoStudent, className: string, doing: Doing): PlatformStatement {
  const at = instantAt(doing);
  const id = uuidOf(`${student.schoolId} ${className} ${at} ${doing.verb} ${doing.object}`);
  const course = courseOf(className);
  return {
    id,
    actor: actorOf(student),
    verb: { id: verbs[doing.verb], display: { en: doing.verb } },
    object: { id: `${course}/${slug(doing.object)}`, definition: { name: { en: doing.object } } },
    ...(doing.seconds !== null && { result: { duration: `PT${doing.seconds}S` } }),
    context: {
      platform: platformName,
      contextActivities: { grouping: [{ id: course, definition: { name: { en: platformName } } }] },
    },
    timestamp: new Date(at).toISOString(),
    stored: new Date(at + 1000 + (Number.parseInt(id.slice(0, 2), 16) % 4) * 1000).toISOString(),
  };
}

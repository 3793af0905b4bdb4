export { DayOffToAdd, MeetingToAdd, TermToSet } from '@slate-path/core/calendar/changes';
export { GuardianFields, StudentFields } from '@slate-path/core/people/changes';
export { SectionRules, StandingFields } from '@slate-path/core/attendance/roll/changes';
export { FocusFields, LookForFields } from '@slate-path/core/observation/tallies/changes';
export { ObservationPlanFields } from '@slate-path/core/observation/closeWatch/changes';
export { TopicFields } from '@slate-path/core/notes/changes';
import { z } from 'zod';
import { Counted } from '@slate-path/core/observation/tallies/changes';
import { recordFields } from '@slate-path/core/records/schema';

export const SectionFields = recordFields.section.pick({ name: true, subject: true, room: true });
export const CountToSet = z.object({ to: Counted });
export { RoomPlanName } from '@slate-path/core/people/room/changes';

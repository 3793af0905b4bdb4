/**
 * Reading and writing lists needs words in a dozen languages and a library of tables. All of it is loaded together, when
 * a list is first wanted, and only so: imported elsewhere as well, it would come with the first screen.
 */
export { planMeeting, targetsOf } from '@slate-path/core/attendance/participants/planMeeting';
export { participantsAtSchool } from '@slate-path/core/attendance/participants/schoolTime';
export { writeCsv } from '@slate-path/core/formats/csv';
export { readTable } from '@slate-path/core/formats/table';
export { dayReader } from '@slate-path/core/ticks/bring/dayReader';
export { readSheet } from '@slate-path/core/ticks/bring/readSheet';
export { acceptedPeople, defaultDecision, settledRow } from '@slate-path/core/people/roster/mergeRoster';
export { readPasted } from '@slate-path/core/people/roster/pasted';
export { matchWritten } from '@slate-path/core/work/bring/matchWritten';
export { planBring } from '@slate-path/core/work/bring/planBring';

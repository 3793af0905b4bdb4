import { addressOf } from '@slate-path/core/api/address';
import { Command, Option } from 'commander';
import { lessonsBetween } from '@slate-path/core/calendar/lessons';
import { isEnrolledOn } from '@slate-path/core/attendance/roll/totals';
import { ApiClient } from './apiClient';
import { listStyles, participantList, type ListStyle } from './meetingTool';
import { teacherName } from './scenario';

interface Options {
  address: string;
  class: string;
  date: string;
  style: ListStyle;
  seed: string;
}

/** `npm run meeting`: the list that a meeting tool would have left of one of the demo's lessons, on standard output. */
async function meeting({ address, class: name, date, style, seed }: Options): Promise<void> {
  const client = await ApiClient.signIn(address, addressOf('demoSignIn'), {});
  const setup = await client.get(addressOf('setup'));
  const section = setup.section.find((found) => found.name === name);
  if (!section) throw new Error(`There is no class ${name} in the demo at ${address}.`);
  const calendar = {
    terms: setup.term,
    daysOff: setup.dayOff,
    meetings: setup.meeting,
    lessons: setup.lesson,
  };
  const lesson = lessonsBetween(calendar, date, date).find(({ sectionId }) => sectionId === section.id);
  if (!lesson) throw new Error(`${name} has no lesson on ${date}.`);
  const ids = new Set(
    setup.enrolment
      .filter((e) => !e.removed && e.sectionId === section.id && isEnrolledOn(e, date))
      .map(({ studentId }) => studentId),
  );
  const students = setup.student.filter(({ id }) => ids.has(id));
  const { startsAt, endsAt } = lesson;
  process.stdout.write(
    participantList({ title: name, date, startsAt, endsAt, hosts: [teacherName], students }, style, seed),
  );
}

new Command('meeting')
  .description('the participant list of a lesson of the demo, as a meeting tool would save it')
  .requiredOption('--date <date>', 'YYYY-MM-DD, a day on which the class meets')
  .option('--class <name>', 'a class of the demo', 'Boat Workshop')
  .option('--address <address>', 'where the demo is', 'http://127.0.0.1:4180')
  .addOption(new Option('--style <style>', 'how the tool writes').choices([...listStyles]).default('report'))
  .option('--seed <seed>', 'another one gives another meeting', '1')
  .action(meeting)
  .parseAsync()
  .catch((error: unknown) => {
    console.error(error instanceof Error ? error.message : error);
    process.exit(1);
  });

import { setTimeout as wait } from 'node:timers/promises';
import { Command } from 'commander';
import seedrandom from 'seedrandom';

/** What a student's page is told. */
interface Door {
  open: boolean;
  lunchChoices: string[];
  students: { id: string; name: string }[];
}

interface Options {
  link: string;
  seconds: string;
  share: string;
  seed: string;
}

const comments = [
  '',
  '',
  '',
  '',
  'My tide table is at home',
  'I slept badly',
  'Can we talk after the lesson?',
];

/**
 * A class of phones: each student checks in once, at a moment of chance, with weather, lunch and now and
 * then a word; one in thirty uses a friend's phone.
 * @returns how many were taken
 */
export async function checkInClass({ link, seconds, share, seed }: Options): Promise<number> {
  const { origin, pathname } = new URL(link);
  const address = `${origin}/api${pathname}`;
  const door = (await (await fetch(address)).json()) as Door;
  if (!door.open) throw new Error('Check-in is not open now.');
  const random = seedrandom(seed);
  const coming = door.students.filter(() => random() < Number(share));
  const plans = coming.map((student, index) => ({
    student,
    at: random() * Number(seconds) * 1000,
    saying: {
      studentId: student.id,
      weather: random() < 0.9 ? 1 + Math.floor(random() ** 0.6 * 5) : null,
      wantsWord: random() < 0.05,
      lunch: door.lunchChoices[Math.floor(random() * (door.lunchChoices.length + 1))] ?? '',
      comment: comments[Math.floor(random() * comments.length)] ?? '',
      device: `${seed}-${random() < 1 / 30 ? index - 1 : index}`,
    },
  }));
  const taken = await Promise.all(
    plans.map(async ({ student, at, saying }) => {
      await wait(at);
      const response = await fetch(address, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(saying),
      });
      console.log(`${student.name}: ${response.ok ? 'in' : `not taken (${response.status})`}`);
      return response.ok;
    }),
  );
  return taken.filter(Boolean).length;
}

new Command('phones')
  .description('a lesson’s check-ins from a class of simulated phones, over time')
  .requiredOption('--link <link>', 'the class’s check-in link')
  .option('--seconds <seconds>', 'over how long they come in', '30')
  .option('--share <share>', 'how many of the class come, 0 to 1', '0.9')
  .option('--seed <seed>', 'another one gives another morning', '1')
  .action(async (options: Options) => {
    console.log(`${await checkInClass(options)} checked in.`);
  })
  .parseAsync()
  .catch((error: unknown) => {
    console.error(error instanceof Error ? error.message : error);
    process.exit(1);
  });

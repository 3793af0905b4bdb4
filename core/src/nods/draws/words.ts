import type { Draw } from '../../records/schema';
import { many } from '../../words/many';

/** Who rests, as a rule. */
export function restWords({ rest, restWeeks }: Pick<Draw, 'rest' | 'restWeeks'>): string {
  if (rest === 'none') return 'Who was drawn before can be drawn again.';
  if (rest === 'weeks') return `Who was drawn rests for ${many(restWeeks ?? 0, 'week')}.`;
  return 'Who was drawn rests until everyone on the list has had a turn.';
}

/** How a draw comes about, so that anybody can do it again with a calculator. */
export function ruleWords(draw: Pick<Draw, 'chances' | 'rest' | 'restWeeks' | 'seed'>): string[] {
  const tickets = draw.chances === 'nods' ? 'a ticket for each nod' : 'one ticket';
  return [
    `Everyone on the list has ${tickets}, numbered in the order of the list from 1 on. ${restWords(draw)}`,
    `Number 1 of the seed is SHA-256 of the text “${draw.seed}:1”: its first twelve hexadecimal digits, as a number, are divided by the number of tickets, and the remainder plus one is the ticket. Number 2 is of “${draw.seed}:2”, and so on. A ticket whose holder was drawn already is passed over.`,
    ...(draw.rest === 'everyone'
      ? [
          'When all who had no turn yet are drawn and more are wanted, the numbers go on among the others, whose tickets are numbered from 1 on too.',
        ]
      : []),
  ];
}

/** How the command draws the same again from an archive. */
export const commandOf = ({ id, seed }: Pick<Draw, 'id' | 'seed'>): string =>
  `slate draw --archive FILE --seed ${seed} --draw ${id}`;

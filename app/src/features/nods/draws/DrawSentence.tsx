import type { Draw } from '@slate-path/core/records/schema';
import { choicePhrase, Sentence, type SentencePart } from '../../../parts/Sentence';
import type { DrawPool } from './pool';
import type { DrawChoices, Drawing } from './useDrawing';

const chances: { value: Draw['chances']; label: string }[] = [
  { value: 'nods', label: 'a ticket for each nod' },
  { value: 'equal', label: 'one ticket each' },
];
const rests: { value: string; label: string; set: Pick<DrawChoices, 'rest' | 'restWeeks'> }[] = [
  {
    value: 'everyone',
    label: 'until everyone has had a turn',
    set: { rest: 'everyone', restWeeks: null },
  },
  ...[2, 4, 8].map((restWeeks) => ({
    value: String(restWeeks),
    label: `for ${restWeeks} weeks`,
    set: { rest: 'weeks' as const, restWeeks },
  })),
  { value: 'none', label: 'not at all', set: { rest: 'none', restWeeks: null } },
];
const numbers = [1, 2, 3, 5, 10];
const countWords = (count: number) => (count === 1 ? 'One' : String(count));

/** What is drawn, said in a sentence whose phrases can be changed. @param days the choice of days, with its words */
export function DrawSentence({
  pool,
  drawing: { choices, choose },
  days,
}: {
  pool: DrawPool;
  drawing: Drawing;
  days: SentencePart;
}) {
  const wanted = [...new Set([...numbers, choices.wanted])].sort((a, b) => a - b);
  const groups: SentencePart[] =
    pool.groups.length === 0
      ? []
      : [
          ' in ',
          choicePhrase({
            name: 'choose the group',
            value: choices.groupName,
            options: [
              { value: '', label: 'the whole class' },
              ...pool.groups.map(({ name }) => ({ value: name, label: name })),
            ],
            onChange: (groupName) => {
              choose({ groupName });
            },
          }),
        ];
  return (
    <Sentence
      parts={[
        choicePhrase({
          name: 'choose how many',
          value: String(choices.wanted),
          options: wanted.map((count) => ({ value: String(count), label: countWords(count) })),
          onChange: (count) => {
            choose({ wanted: Number(count) });
          },
        }),
        ' of those with nods',
        ...groups,
        ' in ',
        days,
        ', ',
        choicePhrase({
          name: 'choose the chances',
          value: choices.chances,
          options: chances,
          onChange: (value) => {
            choose({ chances: value });
          },
        }),
        '. Who was drawn rests ',
        choicePhrase({
          name: 'choose who rests',
          value: choices.rest === 'weeks' ? String(choices.restWeeks) : choices.rest,
          options: rests,
          onChange: (value) => {
            const rest = rests.find((one) => one.value === value);
            if (rest) choose(rest.set);
          },
        }),
        '.',
      ]}
    />
  );
}

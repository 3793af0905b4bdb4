import type { ChangeOf } from '@slate-path/core/changes/schema';

/** What the demo's teacher writes often; favourites stand first. */
export const demoPhrases: { text: string; favourite?: boolean; shared?: boolean }[] = [
  { text: '{name} was adrift in {class} on {date}. {words}', favourite: true },
  { text: '{name} worked well in {class} today: {counts}.', favourite: true },
  { text: '{name} still owes {work}.' },
  { text: '{name} missed {minutes} minutes of {lesson}; please ask what happened.' },
  { text: 'Home was last written to on {last contact}.' },
  { text: 'The ferry was late; no fault of {name}.', shared: true },
];

type PhraseChange =
  | { kind: 'phrase.add'; payload: ChangeOf<'phrase.add'>['payload'] }
  | { kind: 'phrase.favour'; payload: ChangeOf<'phrase.favour'>['payload'] };

/** The changes that keep them. @param newId makes the id of each */
export function makePhrases(personId: string, newId: () => string): PhraseChange[] {
  return demoPhrases.flatMap(({ text, favourite = false, shared = false }): PhraseChange[] => {
    const id = newId();
    return [
      { kind: 'phrase.add', payload: { id, text, shared, personId } },
      ...(favourite
        ? [{ kind: 'phrase.favour' as const, payload: { phraseId: id, personId, favourite } }]
        : []),
    ];
  });
}

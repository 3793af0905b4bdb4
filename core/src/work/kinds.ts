/** What a kind of action comes to, whatever a platform calls it; null is anything else. */
export type Doing = 'opened' | 'asked' | 'answered' | 'handed_in';

/** Words with which kinds begin, in the languages in which files come. */
const beginnings: readonly (readonly [Doing, RegExp])[] = [
  [
    'handed_in',
    /^(?:handed in|hand(?:ed)?-?in|submit|turned in|abgegeben|abgabe|eingereicht|rendu|remis|soumis|entregad|entregue|consegnat|ingeleverd)/i,
  ],
  ['asked', /^(?:ask|question|gefragt|frage|demandé|preguntad|perguntou|chiest|domanda|gevraagd|vraag)/i],
  [
    'answered',
    /^(?:answer|repl|respond|geantwortet|antwort|beantwortet|répond|respondid|respondeu|rispost|geantwoord|antwoord)/i,
  ],
  [
    'opened',
    /^(?:open|launch|view|read|start|visit|access|experienced|geöffnet|gelesen|angesehen|ouvert|consult|lu\b|abiert|abriu|leíd|aperto|letto|geopend|gelezen|bekeken)/i,
  ],
];

/** @param kind as a file calls it */
export function doingOf(kind: string): Doing | null {
  return beginnings.find(([, shape]) => shape.test(kind.trim()))?.[0] ?? null;
}

/**
 * From opening to handing in, of each thing that was handed in: the first time that it was opened before.
 * @param actions of one day, in the order of time @returns by the index of the handing in
 */
export function openedBefore(
  actions: readonly { at: string; kind: string; object: string }[],
): Map<number, string> {
  const opened = new Map<string, string>();
  const spans = new Map<number, string>();
  actions.forEach(({ at, kind, object }, index) => {
    const doing = doingOf(kind);
    if (doing === 'opened' && object && !opened.has(object)) opened.set(object, at);
    const since = opened.get(object);
    if (doing === 'handed_in' && since !== undefined) spans.set(index, since);
  });
  return spans;
}

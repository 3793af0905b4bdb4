import type { RecordsState } from '../sync/useRecords';

/** How many changes are where. */
interface Whereabouts {
  /** Only on the screen. */
  fresh: number;
  /** On this device, to be sent. */
  kept: number;
  refused: number;
  connection: RecordsState['connection'];
}

/** Counted anew at every change of them. */
export function whereabouts({ entries, connection }: RecordsState): Whereabouts {
  const refused = entries.filter(({ state }) => state === 'refused').length;
  const fresh = entries.filter(({ state }) => state === 'new').length;
  return { fresh, kept: entries.length - refused - fresh, refused, connection };
}

interface Saved {
  words: string;
  /** Where everything is: what the sheet says. */
  detail: string;
  safe: boolean;
}

/** The same in words. */
export function savedWords({ fresh, kept, refused, connection }: Whereabouts): Saved {
  if (refused > 0)
    return {
      words: `${refused} refused`,
      detail: 'The server refused these. They are kept here until you decide.',
      safe: false,
    };
  if (fresh > 0)
    return { words: 'not saved yet', detail: `${fresh} are only on the screen so far.`, safe: false };
  if (kept === 0) {
    const away = connection === 'offline';
    const detail = away
      ? 'Everything you did has reached the server. It does not answer at the moment; what you do now is kept on this device.'
      : 'Everything you did has reached the server.';
    return { words: away ? 'saved, offline' : 'saved', detail, safe: true };
  }
  if (connection === 'signed_out')
    return {
      words: `sign in to send ${kept}`,
      detail: `${kept} are kept on this device. Sign in to send them.`,
      safe: false,
    };
  const detail = `${kept} are kept on this device, and are sent as soon as the server answers.`;
  return { words: `${kept} kept on this device`, detail, safe: true };
}

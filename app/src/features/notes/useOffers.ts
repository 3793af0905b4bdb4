import { useEffect, useMemo, useState } from 'react';
import { addressOf } from '@slate-path/core/api/address';
import { linkId } from '@slate-path/core/notes/linkId';
import type { Span } from '@slate-path/core/notes/searchTerms';
import type { Note } from '@slate-path/core/records/schema';
import { useRecords } from '../../sync/useRecords';
import { askOnce } from '../../sync/views';

export interface Offer {
  note: Note;
  spans: Span[];
}

export interface Offered {
  offers: Offer[];
  state: 'asking' | 'there' | 'no_answer';
  more: boolean;
}

const waitMs = 250;

/** Earlier notes that speak of some names and were never asked about for a topic. */
export function useOffers(names: readonly string[], topicId: string | null): Offered {
  const [found, setFound] = useState<{ noteId: string; spans: Span[] }[]>([]);
  const [state, setState] = useState<Offered['state']>('asking');
  const [more, setMore] = useState(false);
  const wanted = names.map((name) => name.trim()).filter((name) => name.length > 1);
  const address =
    wanted.length === 0 ? null : addressOf('notesSpeaking', { name: wanted, topicId: topicId ?? undefined });
  useEffect(() => {
    setFound([]);
    if (address === null) return undefined;
    let current = true;
    setState('asking');
    const timer = setTimeout(() => {
      askOnce(address).then(
        (answer) => {
          if (!current) return;
          setFound(answer.found);
          setMore(answer.more);
          setState('there');
        },
        () => {
          if (current) setState('no_answer');
        },
      );
    }, waitMs);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [address]);
  const notes = useRecords((records) => records.current.note);
  const ties = useRecords((records) => records.current.noteTopic);
  const offers = useMemo(
    () =>
      found.flatMap(({ noteId, spans }) => {
        const note = notes[noteId];
        // Marked meanwhile, here or on another device.
        const tied = topicId !== null && ties[linkId(noteId, topicId)] !== undefined;
        return note && !note.removed && !tied ? [{ note, spans }] : [];
      }),
    [found, notes, ties, topicId],
  );
  return { offers, state, more };
}

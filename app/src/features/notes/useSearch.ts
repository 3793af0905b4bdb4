import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import { addressOf } from '@slate-path/core/api/address';
import { addDays } from '@slate-path/core/calendar/localTime';
import { instantOf } from '@slate-path/core/calendar/zone';
import { hitsIn, searchTerms, type Span } from '@slate-path/core/notes/searchTerms';
import type { Records } from '@slate-path/core/records/records';
import type { Note } from '@slate-path/core/records/schema';
import { zoneOf } from '../../sync/clock';
import { useRecords } from '../../sync/useRecords';
import { askOnce } from '../../sync/views';
import type { NoteQuery } from './query';
import { latestNotes, studentsOfNotes, topicsOfNotes } from './ties';

interface Found {
  query: string;
  ids: string[];
  more: boolean;
}

const waitMs = 150;

const searchAddress = (query: NoteQuery, skip: number) => {
  const given = Object.entries(query).filter(([, value]) => value !== '');
  return addressOf('findNotes', { ...Object.fromEntries(given), skip });
};

/** Does a note known here fit, words aside? */
function fits(
  note: Note,
  { sectionId, lessonId, studentId, topicId, from, to }: NoteQuery,
  records: Records,
): boolean {
  const zone = zoneOf(Object.values(records.school)[0]);
  const moment = (date: string) => new Date(instantOf({ date, time: '00:00' }, zone)).toISOString();
  return (
    (sectionId === '' || note.sectionId === sectionId) &&
    (lessonId === '' || note.lessonId === lessonId) &&
    (studentId === '' ||
      (studentsOfNotes(records).get(note.id) ?? []).some((one) => one.studentId === studentId)) &&
    (topicId === '' || (topicsOfNotes(records).get(note.id) ?? []).some(({ id }) => id === topicId)) &&
    (from === '' || note.at >= moment(from)) &&
    (to === '' || note.at < moment(addDays(to, 1)))
  );
}

export interface NoteHit {
  note: Note;
  hits: Span[] | undefined;
}

/**
 * Notes that fit, the latest first: those known on this device at once and without a network, and what the
 * server finds besides.
 */
export function useSearch(query: NoteQuery) {
  const { words, sectionId, lessonId, studentId, topicId, from, to } = query;
  const given = useMemo(
    () => ({ words, sectionId, lessonId, studentId, topicId, from, to }),
    [words, sectionId, lessonId, studentId, topicId, from, to],
  );
  const [found, setFound] = useState<Found>({ query: '', ids: [], more: false });
  const [offline, setOffline] = useState(false);
  const address = searchAddress(given, 0);
  useEffect(() => {
    let wanted = true;
    const timer = setTimeout(() => {
      askOnce(address).then(
        ({ found: ids, more }) => {
          if (!wanted) return;
          setFound({ query: address, ids, more });
          setOffline(false);
        },
        () => {
          if (wanted) setOffline(true);
        },
      );
    }, waitMs);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [address]);
  const current = useRecords((state) => state.current);
  const asked = useDeferredValue(given);
  const hits = useMemo((): NoteHit[] => {
    const terms = searchTerms(asked.words);
    const ids = new Set(found.query === searchAddress(asked, 0) ? found.ids : []);
    const ties = studentsOfNotes(current);
    const tiedTo = (noteId: string) =>
      (ties.get(noteId) ?? []).flatMap(({ studentId }) => current.student[studentId] ?? []);
    return latestNotes(current).flatMap((note) => {
      const places = terms.length > 0 ? hitsIn(note.text, terms, tiedTo(note.id)) : undefined;
      if (ids.has(note.id)) return [{ note, hits: places ?? undefined }];
      return places !== null && fits(note, asked, current) ? [{ note, hits: places }] : [];
    });
  }, [current, asked, found]);
  const more = async () => {
    const next = await askOnce(searchAddress(given, found.ids.length));
    setFound((last) => ({ ...last, ids: [...last.ids, ...next.found], more: next.more }));
  };
  return { hits, offline, more: found.more && found.query === address ? more : null };
}

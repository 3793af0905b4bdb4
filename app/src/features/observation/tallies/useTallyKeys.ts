import { useEffect, useRef } from 'react';
import { foldName } from '@slate-path/core/people/names';
import type { Lesson, LookFor } from '@slate-path/core/records/schema';
import type { Hold } from '@slate-path/core/observation/tallies/hold';
import type { LessonRow } from '../../attendance/lesson/lessonRow';
import { typing } from '../../attendance/lesson/useLessonKeys';
import { takeBack } from '../../../sync/outbox';

interface TallyKeys {
  /** Who can be found by typing: not those who are away. */
  rows: readonly LessonRow[];
  names: ReadonlyMap<string, string>;
  lookFors: readonly LookFor[];
  hold: Hold;
  history: string;
  onStudent: (lesson: Lesson, studentId: string) => void;
  onLookFor: (lookForId: string) => void;
  onLetGo: () => void;
}

/** Letters typed within this time are one name. */
const sameNameMs = 900;

/** Keys of the tally: first letters find the student, a digit gives the look-for, Backspace takes back. */
export function useTallyKeys(keys: TallyKeys): void {
  const latest = useRef(keys);
  latest.current = keys;
  const typed = useRef({ letters: '', at: 0 });
  useEffect(() => {
    const find = (letter: string, at: number) => {
      const { rows, names, hold, onStudent, onLetGo } = latest.current;
      const letters = at - typed.current.at < sameNameMs ? typed.current.letters + letter : letter;
      typed.current = { letters, at };
      const found = rows.find(
        ({ student, presence }) =>
          !presence.away && foldName(names.get(student.id) ?? '').startsWith(letters),
      );
      if (!found) return;
      if (hold.what === 'student' && hold.studentId === found.student.id) return;
      // A letter means a student, also while a look-for is held.
      if (hold.what === 'lookFor') onLetGo();
      onStudent(found.lesson, found.student.id);
      document.getElementById(`tile-${found.student.id}`)?.focus();
    };
    const onKey = (event: KeyboardEvent) => {
      if (typing() || event.ctrlKey || event.metaKey || event.altKey) return;
      const { lookFors, history, onLookFor, onLetGo } = latest.current;
      const { key } = event;
      const lookFor = /^[1-9]$/.test(key) ? lookFors[Number(key) - 1] : undefined;
      if (lookFor) onLookFor(lookFor.id);
      else if (key === 'Backspace') takeBack(history);
      else if (key === 'Escape') onLetGo();
      else if (/^\p{L}$/u.test(key)) find(foldName(key), event.timeStamp);
      // Between two names it is a letter like any other, not a tap on the tile that has the focus.
      else if (key === ' ' && event.timeStamp - typed.current.at < sameNameMs) find(' ', event.timeStamp);
      else return;
      event.preventDefault();
      event.stopPropagation();
    };
    // Before the tile that has the focus hears of it.
    window.addEventListener('keydown', onKey, true);
    return () => {
      window.removeEventListener('keydown', onKey, true);
    };
  }, []);
}

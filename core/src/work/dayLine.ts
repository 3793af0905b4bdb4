import { durationWords } from './durationWords';
import { openedBefore } from './kinds';
import { longestPause, minutesBetween } from './sittings';

/** An action of a day, or a pause between two. */
export type DayLine =
  | { kind: 'action'; at: string; what: string; where: string; note: string }
  | { kind: 'pause'; words: string };

interface Told {
  at: string;
  kind: string;
  place: string;
  object: string;
  seconds: number | null;
}

/** One student's day in the order of time: actions, long pauses, and how long it was from opening to handing in. */
export function dayLines(actions: readonly Told[]): DayLine[] {
  const spans = openedBefore(actions);
  return actions.flatMap(({ at, kind, place, object, seconds }, index): DayLine[] => {
    const before = actions[index - 1];
    const pause = before ? minutesBetween(before.at, at) - (before.seconds ?? 0) / 60 : 0;
    const opened = spans.get(index);
    const notes = [
      seconds !== null && seconds > 0 ? `for ${durationWords(seconds / 60)}` : '',
      opened === undefined ? '' : `${durationWords(minutesBetween(opened, at))} after it was opened`,
    ];
    const line: DayLine = {
      kind: 'action',
      at,
      what: [kind || 'did something', object].filter(Boolean).join(': '),
      where: place,
      note: notes.filter(Boolean).join(', '),
    };
    return pause > longestPause
      ? [{ kind: 'pause', words: `a pause of ${durationWords(pause)}` }, line]
      : [line];
  });
}

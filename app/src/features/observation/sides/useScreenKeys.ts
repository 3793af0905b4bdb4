import { useEffect } from 'react';
import { lowestTone } from '@slate-path/core/observation/tone/levels';
import { mostRounds } from '@slate-path/core/observation/sides/limits';
import { started, stopped } from '@slate-path/core/observation/sides/clock';
import type { Lesson } from '@slate-path/core/records/schema';
import { now } from '../../../sync/clock';
import { useRecords } from '../../../sync/useRecords';
import { moveTone, setTone } from '../tone/toneOf';
import { gamesIn, givePoints, setGame } from './playing';

function act(lesson: Lesson, { key, altKey }: KeyboardEvent): boolean {
  const { current } = useRecords.getState();
  const game = gamesIn(current.game, lesson.id).at(-1);
  const figure = '12345678'.indexOf(key);
  if (key === 'ArrowUp') moveTone(lesson, 1);
  else if (key === 'ArrowDown') moveTone(lesson, -1);
  else if (altKey && figure >= 0 && figure < 5) setTone(lesson, lowestTone + figure);
  else if (!game || game.endedAt !== null) return false;
  else if (figure >= 0 && figure < game.sides.length) givePoints(game, figure, 1, null);
  else if (key === 'r' && game.round < mostRounds) setGame(game, { round: game.round + 1 });
  else if (key === ' ' && game.clock) {
    const { clock } = game;
    setGame(game, { clock: clock.runningSince === null ? started(clock, now()) : stopped(clock, now()) });
  } else return false;
  return true;
}

/** Keys of the big screen: arrows move the tone, figures give a side a point, R begins a round, Space stops the clock. */
export function useScreenKeys(lesson: Lesson | undefined): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!lesson || event.ctrlKey || event.metaKey || !act(lesson, event)) return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => {
      window.removeEventListener('keydown', onKey);
    };
  }, [lesson]);
}

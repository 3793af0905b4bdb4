import { useState } from 'react';
import { localMoment } from '@slate-path/core/calendar/zone';
import { mostToDraw, type Lot } from '@slate-path/core/nods/draws/lot';
import { listFor, makeDraw } from '@slate-path/core/nods/draws/make';
import { seeds } from '@slate-path/core/nods/draws/tickets';
import { listOf } from '@slate-path/core/records/records';
import type { Draw } from '@slate-path/core/records/schema';
import { now, zoneOf } from '../../../sync/clock';
import { makeChange, newId } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';
import { nodsHistory } from '../giving';
import type { DrawPool } from './pool';

/** What can be chosen of a draw. */
export type DrawChoices = Pick<Draw, 'groupName' | 'chances' | 'rest' | 'restWeeks' | 'wanted'>;

export interface Drawing {
  choices: DrawChoices;
  choose: (chosen: Partial<DrawChoices>) => void;
  lot: Lot;
  /** How many can be drawn at once; with none there is no draw. */
  most: number;
  /** @param seed null for one that nobody chose */
  draw: (seed: number | null) => Draw | undefined;
}

const usual: DrawChoices = {
  ...{ groupName: '', chances: 'nods', rest: 'everyone', restWeeks: null, wanted: 1 },
};

/**
 * The school's present, to the second. Draws are in the order of their moments: where the clock of another device was
 * ahead, the second after its last one.
 */
function momentAfter(last: Draw | undefined): string {
  const [school] = listOf(useRecords.getState().current, 'school');
  const { date, time } = localMoment(now(), zoneOf(school));
  const moment = `${date}T${time}:${String(new Date(now()).getUTCSeconds()).padStart(2, '0')}`;
  if (!last || last.at < moment) return moment;
  return new Date(Date.parse(`${last.at}Z`) + 1000).toISOString().slice(0, 19);
}

/** Nobody can know it before. */
function anySeed(): number {
  const [drawn = 0] = crypto.getRandomValues(new Uint32Array(1));
  return drawn % seeds;
}

/** A draw that is being set up: as the last one was, until something else is chosen. */
export function useDrawing(pool: DrawPool): Drawing {
  const [last] = pool.earlier;
  const [chosen, setChosen] = useState<Partial<DrawChoices>>({});
  const before: DrawChoices = last
    ? { ...usual, chances: last.chances, rest: last.rest, restWeeks: last.restWeeks, wanted: last.wanted }
    : usual;
  const choices = { ...before, ...chosen };
  const at = momentAfter(last);
  const lot = listFor({ at, ...choices }, pool.countsOf(choices.groupName, at), pool.earlier);
  const most = mostToDraw(lot, choices.rest);
  return {
    choices,
    choose: (next) => {
      setChosen((known) => ({ ...known, ...next }));
    },
    lot,
    most,
    draw: (seed) => {
      if (most === 0) return undefined;
      const moment = momentAfter(last);
      const made = makeDraw(
        {
          ...choices,
          wanted: Math.min(choices.wanted, most),
          seed: seed ?? anySeed(),
          ...{ sectionId: pool.sectionId, at: moment, startsOn: pool.from, endsOn: pool.to },
        },
        pool.countsOf(choices.groupName, moment),
        pool.earlier,
      );
      const id = newId();
      makeChange('draw.make', { id, ...made }, nodsHistory);
      return { id, ...made, removed: false };
    },
  };
}

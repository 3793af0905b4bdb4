import { useState } from 'react';
import { addDays } from '@slate-path/core/calendar/localTime';
import { termOn } from '@slate-path/core/calendar/lessons';
import type { ProposedTime } from '@slate-path/core/calendar/proposeTimetable';
import { listOf } from '@slate-path/core/records/records';
import { Action } from '../../../parts/Action';
import { DateField } from '../../../parts/DateField';
import { Sheet } from '../../../parts/Sheet';
import { TickRow } from '../../../parts/TickRow';
import { Words } from '../../../parts/Words';
import { forgetTyped } from '../../../parts/typed';
import { check } from '../../../forms/check';
import { readDate } from '../../../forms/readDate';
import { weekdayNames } from '@slate-path/core/calendar/weekdays';
import { useAccount } from '../../../sync/account';
import { useNow } from '../../../sync/clock';
import { makeChange, newId } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';

interface WeeklySheetProps {
  sectionId: string;
  proposed: readonly ProposedTime[];
  onClose: () => void;
}

const keyOf = ({ weekday, startsAt }: ProposedTime) => `${weekday} ${startsAt}`;

/** The proposed times, each to be left out, and the last day of the term where none is on. */
export function WeeklySheet({ sectionId, proposed, onClose }: WeeklySheetProps) {
  const now = useNow();
  const isKeeper = useAccount((account) => account.isKeeper);
  const hasTerm = useRecords(({ current }) => termOn(now.date, listOf(current, 'term')) !== undefined);
  const [leftOut, setLeftOut] = useState<ReadonlySet<string>>(new Set());
  const [until, setUntil] = useState('');
  const [error, setError] = useState<string>();
  const form = `weekly ${sectionId}`;
  const wanted = proposed.filter((time) => !leftOut.has(keyOf(time)));
  const accept = async () => {
    if (!hasTerm && isKeeper) {
      const fields = { id: newId(), name: 'Term', startsOn: now.date, endsOn: readDate(until, now.date) };
      const term = await check('TermToSet', fields);
      if (term.errors) {
        setError(term.errors['endsOn'] ?? Object.values(term.errors)[0]);
        return;
      }
      makeChange('term.set', term.data, 'desk');
    }
    const valid = { validFrom: addDays(now.date, 1), validUntil: null, everyOtherFrom: null };
    const added = wanted.map((time) => ({ id: newId(), sectionId, ...time, ...valid }));
    makeChange('meeting.replace', { ended: [], added }, 'timetable');
    forgetTyped(form);
    onClose();
  };
  return (
    <Sheet
      title="Every week"
      note="From tomorrow on. What was taken stays as it is."
      about={form}
      onClose={onClose}
    >
      {proposed.map((time) => {
        const key = keyOf(time);
        const words = `${weekdayNames[time.weekday - 1] ?? ''}, ${time.startsAt} to ${time.endsAt}`;
        return (
          <TickRow
            key={key}
            name={words}
            ticked={!leftOut.has(key)}
            onChange={(ticked) => {
              const next = new Set(leftOut);
              if (ticked) next.delete(key);
              else next.add(key);
              setLeftOut(next);
            }}
          >
            <Words figures>{words}</Words>
          </TickRow>
        );
      })}
      {hasTerm ? null : isKeeper ? (
        <DateField
          label="Until when? The last day of the term"
          value={until}
          onChange={setUntil}
          error={error}
          placeholder="18 Dec"
        />
      ) : (
        <Words tone="inkQuiet">
          The keeper of your school has given no term for today; the times are kept, and lessons come with it.
        </Words>
      )}
      <Action
        label="Put them in the timetable"
        kind="main"
        disabled={wanted.length === 0}
        onPress={() => void accept()}
      />
    </Sheet>
  );
}

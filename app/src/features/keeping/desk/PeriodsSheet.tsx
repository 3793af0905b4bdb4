import { useState } from 'react';
import {
  meetingsToMove,
  periodLines,
  readPeriods,
  type LineProblem,
} from '@slate-path/core/calendar/periods';
import { listOf } from '@slate-path/core/records/records';
import { many } from '@slate-path/core/words/many';
import { Action } from '../../../parts/Action';
import { Field } from '../../../parts/Field';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { forgetTyped } from '../../../parts/typed';
import { useNow } from '../../../sync/clock';
import { makeChange } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';
import { aboutTimetable, replaced } from './replaceMeeting';

const form = 'periods';

/** The school's day, one period a line; lessons at the times of one that changes move along. */
export function PeriodsSheet({ onClose }: { onClose: () => void }) {
  const { date } = useNow();
  const current = useRecords((state) => state.current);
  const school = Object.values(current.school)[0];
  const [text, setText] = useState(periodLines(school?.periods ?? []));
  const [problems, setProblems] = useState<readonly LineProblem[]>([]);
  const { periods, problems: found } = readPeriods(text);
  const running = listOf(current, 'meeting').filter((m) => m.validUntil === null || m.validUntil >= date);
  const moved = found.length === 0 ? meetingsToMove(school?.periods ?? [], periods, running) : [];
  const accept = () => {
    setProblems(found);
    if (found.length > 0 || !school) return;
    const moves = moved.map(({ meeting, startsAt, endsAt }) => {
      const { id: _id, removed: _removed, ...rest } = meeting;
      return replaced(current, meeting, [{ ...rest, startsAt, endsAt }], date);
    });
    makeChange(
      'school.periods',
      {
        id: school.id,
        periods,
        ended: moves.flatMap((move) => move.ended),
        added: moves.flatMap((move) => move.added),
      },
      aboutTimetable,
    );
    forgetTyped(form);
    onClose();
  };
  return (
    <Sheet
      title="Periods"
      note="One a line: a name and two times. The timetable and the lessons call them so."
      about={form}
      onClose={onClose}
    >
      <Field
        label="Periods of the day"
        value={text}
        onChange={setText}
        multiline
        placeholder={'P1 8:30–9:20\nP2 9:25–10:15\nLunch club 12:30–13:10'}
      />
      {problems.map(({ line, reason }) => (
        <Words key={line} tone="ember" live>
          {`Line ${line}: ${reason}.`}
        </Words>
      ))}
      {moved.length > 0 ? (
        <Words
          live
        >{`${many(moved.length, 'weekly lesson')} of yours will move along; what was held stays.`}</Words>
      ) : null}
      <Action label="Keep these periods" kind="main" onPress={accept} />
    </Sheet>
  );
}

import { watchOf } from '@slate-path/core/observation/closeWatch/ofStudent';
import { localMoment } from '@slate-path/core/calendar/zone';
import type { ObservationOnPage } from '@slate-path/core/sharing/readerPage/onPage';
import type { OthersHidden } from '@slate-path/core/sharing/readerPage/othersHidden';
import type { PageSettings } from '@slate-path/core/sharing/readerPage/settings';
import type { RecordReader } from '../../database/readRecords';

interface Asked {
  reader: RecordReader;
  /** With whose rights it is read. */
  madeBy: string;
  hidden: OthersHidden;
  settings: PageSettings;
  /** The last day that is told of. */
  to: string;
  zone: string;
  /** Milliseconds since the epoch. */
  now: number;
}

/** What was watched closely of a student in the page's days; of those who were watched beside nothing is told. */
export function observationsOnPage(
  { reader, madeBy, hidden, settings, to, zone, now }: Asked,
  studentId: string,
): ObservationOnPage[] {
  const dateOf = (instant: string) => localMoment(Date.parse(instant), zone).date;
  return settings.observations.flatMap(({ id, comment }): ObservationOnPage[] => {
    const [plan] = reader.seenBy(madeBy, 'observationPlan', '"id" = ?', [id]);
    if (!plan) return [];
    const sessions = reader
      .seenBy(madeBy, 'observation', '"planId" = ? AND NOT "removed"', [id])
      .filter(({ startedAt }) => settings.from <= dateOf(startedAt) && dateOf(startedAt) <= to);
    const watch = watchOf({
      ...{ plan, studentId, sessions, dateOf, now },
      events: reader.seenBy(
        madeBy,
        'observationEvent',
        '"studentId" = ? AND "observationId" IN (SELECT "id" FROM "observation" WHERE "planId" = ?)',
        [studentId, id],
      ),
      changes: reader.seenBy(madeBy, 'observationPhase', '"planId" = ?', [id]),
    });
    // A student of the page who was never watched by this plan.
    if (watch.sessions.length === 0) return [];
    return [
      {
        ...{
          name: hidden.textOf(plan.name),
          definition: hidden.textOf(plan.definition),
          method: plan.method,
        },
        phases: watch.phases.map(({ name, startsOn, median, values }) => ({
          ...{ name: hidden.textOf(name), startsOn, median },
          values: values.map(({ date, value }) => ({ date, value })),
        })),
        observedMinutes: watch.observedSeconds / 60,
        comment: hidden.textOf(comment),
      },
    ];
  });
}

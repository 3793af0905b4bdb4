import { useMemo } from 'react';
import { addressOf } from '@slate-path/core/api/address';
import { contactLine, type ContactEntry } from '@slate-path/core/contact/line';
import { groupBy } from '@slate-path/core/records/groupBy';
import { zoneOf } from '../../sync/clock';
import { useRecords } from '../../sync/useRecords';
import { useView } from '../../sync/views';

/** Every contact that is known, by student, the latest first. */
export function useContactLines(): ReadonlyMap<string, ContactEntry[]> {
  // Letters come with the outbox, all else with the watch list.
  useView(addressOf('outbox'));
  useView(addressOf('watch'));
  const messages = useRecords(({ current }) => current.message);
  const steps = useRecords(({ current }) => current.step);
  const zone = useRecords(({ current }) => zoneOf(Object.values(current.school)[0]));
  return useMemo(() => {
    const stepsOf = groupBy(Object.values(steps), ({ studentId }) => studentId);
    const messagesOf = groupBy(Object.values(messages), ({ studentId }) => studentId);
    const ids = new Set([...stepsOf.keys(), ...messagesOf.keys()]);
    return new Map(
      [...ids].map((id) => [id, contactLine(messagesOf.get(id) ?? [], stepsOf.get(id) ?? [], zone)]),
    );
  }, [messages, steps, zone]);
}

import { useEffect, useState } from 'react';
import { clockOffset } from '@slate-path/core/calendar/clockOffset';
import { localMoment, type LocalMoment } from '@slate-path/core/calendar/zone';
import { useRecords } from './useRecords';

const offsetKey = 'slate-clock-offset';
let offset = Number(localStorage.getItem(offsetKey) ?? 0);

/** The server's clock, as last heard: devices disagree, and the demo has a time of its own. */
export function now(): number {
  return Date.now() + offset;
}

/**
 * @param serverNow ISO moment that an answer carried
 * @param askedAt by this device's own clock, in milliseconds
 */
export function setClock(serverNow: string, askedAt: number): void {
  const heard = clockOffset(offset, Date.parse(serverNow), askedAt, Date.now());
  if (heard === offset) return;
  offset = heard;
  localStorage.setItem(offsetKey, String(offset));
}

const watchers = new Set<() => void>();
setInterval(() => {
  watchers.forEach((watch) => {
    watch();
  });
}, 5000);

/** The time zone of the school, or this device's until it is known. */
export function zoneOf(school: { zone: string } | undefined): string {
  return school?.zone ?? Intl.DateTimeFormat().resolvedOptions().timeZone;
}

const lastMoment = { minute: NaN, zone: '', moment: { date: '', time: '' } };

/** The same object until the minute changes, worked out once for all who ask. */
function momentIn(zone: string): LocalMoment {
  const minute = Math.floor(now() / 60_000);
  if (lastMoment.minute !== minute || lastMoment.zone !== zone)
    Object.assign(lastMoment, { minute, zone, moment: localMoment(now(), zone) });
  return lastMoment.moment;
}

/** The school's date and time, renewed when the minute changes. */
export function useNow(): LocalMoment {
  const zone = useRecords((state) => zoneOf(Object.values(state.current.school)[0]));
  const [moment, setMoment] = useState(() => momentIn(zone));
  useEffect(() => {
    const renew = () => {
      setMoment(momentIn(zone));
    };
    renew();
    watchers.add(renew);
    return () => {
      watchers.delete(renew);
    };
  }, [zone]);
  return moment;
}

import type { figuresOf } from '../src/observation/closeWatch/figures';

const begin = Date.parse('2026-11-23T10:45:00.000Z');
/** A moment so many seconds after the beginning. */
export const at = (seconds: number) => new Date(begin + seconds * 1000).toISOString();
export const ms = (seconds: number) => begin + seconds * 1000;
export const part = (from: number, to: number | null) => ({
  from: at(from),
  to: to === null ? null : at(to),
});

type Session = Parameters<typeof figuresOf>[0];
export const session = (values: Partial<Session>): Session => ({
  ...{ id: 'w', studentIds: ['a'], method: 'momentary', intervalSeconds: 60, recordSeconds: 0 },
  ...{ lengthSeconds: 600, startedAt: at(0), endedAt: null, pauses: [], lost: [] },
  ...values,
});
type Seen = Parameters<typeof figuresOf>[1][number];
export const event = (values: Partial<Seen>): Seen => ({
  ...{
    studentId: 'a',
    at: at(0),
    until: null,
    interval: null,
    seen: null,
    byHand: false,
    before: '',
    after: '',
  },
  ...values,
});
export const answers = (...seen: (boolean | null)[]) =>
  seen.flatMap((one, interval) =>
    one === null ? [] : [event({ interval, seen: one, at: at(interval * 60) })],
  );
export const later = ms(9000);

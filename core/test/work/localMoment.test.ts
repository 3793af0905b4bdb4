import { readLocalMoment } from '../../src/work/bring/localMoment';

// From the tz database: what clocks of a zone skip in spring 2026, an hour or half of one, also at midnight.
test.each([
  ['2026-04-24 00:30', 'Africa/Cairo', null],
  ['2026-04-24 01:30', 'Africa/Cairo', '2026-04-24T01:30:00'],
  ['2026-04-23 23:59', 'Africa/Cairo', '2026-04-23T23:59:00'],
  ['2026-03-29 01:30', 'Europe/Dublin', null],
  ['2026-03-29 02:30', 'Europe/Berlin', null],
  ['2026-10-25 01:30', 'Europe/Dublin', '2026-10-25T01:30:00'],
  ['2026-10-04 02:15', 'Australia/Lord_Howe', null],
  ['2026-10-04 02:30', 'Australia/Lord_Howe', '2026-10-04T02:30:00'],
  ['2026-02-29 10:00', 'Europe/Dublin', null],
  ['2028-02-29 10:00', 'Europe/Dublin', '2028-02-29T10:00:00'],
])('%s in %s', (written, zone, at) => {
  const read = readLocalMoment(written, { zone, order: 'day_first' });
  expect('at' in read ? read.at : null).toBe(at);
});

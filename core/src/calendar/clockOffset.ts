const toleranceMs = 2000;

/**
 * How far a server's clock is ahead of a device's, after one more answer. The server read its clock some time between
 * the asking and the hearing; an answer that took long says little of the time, so what was known stays wherever it
 * can be right. Source: Cristian (1989), Probabilistic clock synchronization.
 * @param known the offset so far, in milliseconds; negative when the server is behind
 * @param serverNow what the answer says, in milliseconds
 * @param askedAt by the device's clock, in milliseconds; so is `heardAt`
 * @returns whole milliseconds
 */
export function clockOffset(known: number, serverNow: number, askedAt: number, heardAt: number): number {
  const [least, most] = [serverNow - heardAt, serverNow - askedAt];
  const canBeRight = known > least - toleranceMs && known < most + toleranceMs;
  return canBeRight || Number.isNaN(serverNow) ? known : Math.round((least + most) / 2);
}

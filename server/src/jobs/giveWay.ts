import os from 'node:os';

/**
 * Lets whoever is waiting for an answer go first where the processors are busy. In a worker it is of that thread alone:
 * on Linux a priority belongs to a thread (setpriority(2), “C library/kernel differences”). Elsewhere nothing is done.
 */
export function giveWay(): void {
  if (process.platform === 'linux') os.setPriority(0, os.constants.priority.PRIORITY_BELOW_NORMAL);
}

import fs from 'node:fs';

export interface Finding {
  /** A process ended; something was thrown that is no answer; it took over a second of processor time. */
  kind: 'ended' | 'threw' | 'slow';
  what: string;
}

export interface Findings {
  inputs: number;
  found: Finding[];
  slowest: { ms: number; what: string };
  /** The most memory that a process held. */
  peakMegabytes: number;
}

/** Memory that a process holds, in megabytes; 0 where the system does not tell it. */
export function megabytesOf(pid: number | undefined): number {
  try {
    const pages = Number(fs.readFileSync(`/proc/${pid ?? 0}/statm`, 'latin1').split(' ')[1]);
    return (pages * 4096) / 1e6;
  } catch {
    return 0;
  }
}

/** Processor time that a process has taken, in milliseconds; 0 where the system does not tell it. */
export function processorMs(pid: number): number {
  try {
    const fields = fs.readFileSync(`/proc/${pid}/stat`, 'latin1').split(') ')[1]?.split(' ') ?? [];
    // User and system time, in hundredths of a second.
    return (Number(fields[11]) + Number(fields[12])) * 10;
  } catch {
    return 0;
  }
}

/** So many days back a device holds what was recorded in lessons, and notes; what is older comes when it is asked for. */
export const daysOnDevice = 42;

/** About a term: what was recorded longer ago leaves a device the next time it is opened. */
export const daysUntilForgotten = 126;

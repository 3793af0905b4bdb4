/** So many days back a device holds what was recorded in lessons, and notes; what is older comes when it is asked for. */
export const daysOnDevice = 42;

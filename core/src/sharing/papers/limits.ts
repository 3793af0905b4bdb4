/** So many students may be reported on in one file. */
export const mostReports = 60;

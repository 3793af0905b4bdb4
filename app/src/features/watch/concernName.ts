const concernNames = {
  absent: 'Absent',
  disengaged: 'Disengaged',
  struggling: 'Struggling',
  over_a_line: 'Over a line',
};

/** What a concern is called on the screen. */
export const concernName = (concern: keyof typeof concernNames): string => concernNames[concern];

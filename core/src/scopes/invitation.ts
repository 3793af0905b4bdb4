/** An invitation ends by itself after so many days. */
export const invitationDays = 14;

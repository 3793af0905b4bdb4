/** What an e-mail address looks like, for readers that do without the schemas. */
export const emailShape =
  /^(?:[A-Za-z0-9_'+-]+\.)*[A-Za-z0-9_'+-]*[A-Za-z0-9_+-]@(?:[A-Za-z0-9][A-Za-z0-9-]*\.)+[A-Za-z]{2,}$/;

/** Letters of the longest address. */
export const longestEmail = 254;

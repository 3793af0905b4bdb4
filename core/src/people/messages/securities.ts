/** How the way to a mail server is encrypted: from the start (port 465), from the greeting on (STARTTLS, port 587), or not. */
export const securities = ['tls', 'starttls', 'none'] as const;
export type Security = (typeof securities)[number];

/** Letters a minute, unless somebody says otherwise: providers stop accounts that send many at once. */
export const usualPerMinute = 60;

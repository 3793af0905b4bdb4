/** What home hears: something good, a worry, or neither. */
export const contactTones = ['good', 'worry', 'neutral'] as const;
export type ContactTone = (typeof contactTones)[number];

export const toneNames: Record<ContactTone, string> = {
  good: 'Something good',
  worry: 'A worry',
  neutral: 'Neither',
};

/** How people were in contact, besides letters from here. */
export const contactWays = ['call', 'talk', 'letter', 'other'] as const;
export type ContactWay = (typeof contactWays)[number];

export const wayNames: Record<ContactWay, string> = {
  call: 'Call',
  talk: 'Talk',
  letter: 'Letter',
  other: 'Other',
};

export const concerns = ['absent', 'disengaged', 'struggling'] as const;
export type Concern = (typeof concerns)[number];

export const streamNames = [
  'presence',
  'lateness',
  'voice',
  'trouble',
  'engagement',
  'weather',
  'online',
  'hand_in',
  'score',
  'stuck',
] as const;
export type StreamName = (typeof streamNames)[number];

/** What nods are given for until somebody says otherwise. */
export const shippedReasons = [
  'Helped somebody',
  'Kept at it',
  'A good question',
  'Careful work',
  'Made us laugh kindly',
] as const;

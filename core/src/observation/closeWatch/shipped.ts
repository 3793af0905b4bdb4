/** Words that are offered for what came before and what followed, until the teacher has their own. */
export const shippedBefores = [
  'asked to begin',
  'work got hard',
  'change of task',
  'nobody with them',
  'told to wait',
];
export const shippedAfters = ['spoken to', 'helped', 'others laughed', 'left alone', 'did another task'];

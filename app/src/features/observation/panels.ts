export { default as CirclePanel } from './circle/CirclePanel';
export { default as SweepPanel } from './sweep/SweepPanel';
export { default as TallyPanel } from './tallies/TallyPanel';
export { default as TallySheet } from './tallies/TallySheet';
export { default as TileOrder } from './tallies/TileOrder';
export { default as TurnsPanel } from './turns/TurnsPanel';

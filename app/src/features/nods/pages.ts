export { DrawsScreen } from './draws/DrawsScreen';
export { default as NodPanel } from './NodPanel';
export { NodsScreen } from './NodsScreen';
export { TellingSheet } from './TellingSheet';
export { SchoolNodsScreen } from './school/SchoolNodsScreen';

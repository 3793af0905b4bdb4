export { default as NodPanel } from './NodPanel';
export { NodsScreen } from './NodsScreen';
export { TellingSheet } from './TellingSheet';

export { BringScreen } from './BringScreen';
export { ClipboardScreen } from './ClipboardScreen';
export { ColumnScreen } from './ColumnScreen';
export { OwingScreen } from './OwingScreen';
export { StudentTicks } from './StudentTicks';
export { default as TickPanel } from './TickPanel';
export { TicksScreen } from './TicksScreen';
export { ticksOwedIn } from './owed';

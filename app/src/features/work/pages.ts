export { ClassWorkScreen } from './ClassWorkScreen';
export { PieceScreen } from './PieceScreen';
export { PiecesScreen } from './PiecesScreen';
export { StudentDayScreen } from './StudentDayScreen';
export { BringScreen } from './BringScreen';
export { FeedScreen } from './FeedScreen';
export { StudentWork } from './StudentWork';
export { owedIn } from './owed';

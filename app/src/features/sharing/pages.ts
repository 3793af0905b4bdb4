export { OwnViewScreen } from './ownView/OwnViewScreen';
export { PapersScreen } from './papers/PapersScreen';
export { NewPageScreen } from './readerPages/NewPageScreen';
export { PagesOfStudent } from './readerPages/PagesOfStudent';
export { SharedScreen } from './readerPages/SharedScreen';

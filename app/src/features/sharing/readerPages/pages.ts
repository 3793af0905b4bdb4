export { NewPageScreen } from './NewPageScreen';
export { PagesOfStudent } from './PagesOfStudent';
export { SharedScreen } from './SharedScreen';

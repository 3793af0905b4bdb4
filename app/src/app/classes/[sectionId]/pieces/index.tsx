export { PiecesScreen as default } from '../../../../features/work/lazyPages';

export { PieceScreen as default } from '../../../../features/work/lazyPages';

export { TotalsScreen as default } from '../features/totals/TotalsScreen';

export { TotalsScreen as default } from '../features/attendance/totals/TotalsScreen';

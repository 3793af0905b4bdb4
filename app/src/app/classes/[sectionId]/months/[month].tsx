export { MonthScreen as default } from '../../../../features/month/MonthScreen';

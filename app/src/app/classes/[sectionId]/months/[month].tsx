export { MonthScreen as default } from '../../../../features/attendance/month/MonthScreen';

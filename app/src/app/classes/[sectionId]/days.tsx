export { DaysScreen as default } from '../../../features/attendance/days/DaysScreen';

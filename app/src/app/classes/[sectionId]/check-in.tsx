export { CheckInScreen as default } from '../../../features/attendance/checkIn/CheckInScreen';

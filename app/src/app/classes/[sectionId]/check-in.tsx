export { CheckInScreen as default } from '../../../features/checkIn/CheckInScreen';

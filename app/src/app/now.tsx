export { RollNowScreen as default } from '../features/attendance/now/RollNowScreen';

export { RangeScreen as default } from '../features/attendance/range/RangeScreen';

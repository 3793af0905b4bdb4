export { RangeScreen as default } from '../features/range/RangeScreen';

export { DaysScreen as default } from '../../../features/days/DaysScreen';

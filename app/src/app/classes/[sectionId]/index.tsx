export { OverviewScreen as default } from '../../../features/people/class/OverviewScreen';

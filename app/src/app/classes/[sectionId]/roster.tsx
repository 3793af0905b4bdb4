export { RosterScreen as default } from '../../../features/roster/RosterScreen';

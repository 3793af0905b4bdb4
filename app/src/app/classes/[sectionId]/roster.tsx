export { RosterScreen as default } from '../../../features/people/roster/RosterScreen';

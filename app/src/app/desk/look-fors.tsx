export { LookForsScreen as default } from '../../features/tallies/LookForsScreen';

export { LookForsScreen as default } from '../../features/observation/tallies/LookForsScreen';

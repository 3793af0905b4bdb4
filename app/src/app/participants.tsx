export { ParticipantsScreen as default } from '../features/participants/ParticipantsScreen';

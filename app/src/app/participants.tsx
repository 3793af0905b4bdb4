export { ParticipantsScreen as default } from '../features/attendance/participants/ParticipantsScreen';

export { StudentDoor as default } from '../../features/checkIn/StudentDoor';

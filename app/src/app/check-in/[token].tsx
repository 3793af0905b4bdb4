export { StudentDoor as default } from '../../features/attendance/checkIn/StudentDoor';

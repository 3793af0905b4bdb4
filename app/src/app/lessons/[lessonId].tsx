export { LessonScreen as default } from '../../features/attendance/lesson/LessonScreen';

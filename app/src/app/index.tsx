export { LessonScreen as default } from '../features/lesson/LessonScreen';

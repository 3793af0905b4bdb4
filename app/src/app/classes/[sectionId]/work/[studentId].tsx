export { StudentDayScreen as default } from '../../../../features/work/lazyPages';

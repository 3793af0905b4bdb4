export { PeopleScreen as default } from '../features/people/PeopleScreen';

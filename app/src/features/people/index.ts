export { PeopleScreen } from './PeopleScreen';

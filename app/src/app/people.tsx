export { PeopleScreen as default } from '@/lazyScreens';

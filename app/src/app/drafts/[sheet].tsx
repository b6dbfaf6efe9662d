export { EditorScreen as default } from '@/lazyScreens';

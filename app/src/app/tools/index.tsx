export { ToolsScreen as default } from '@/lazyScreens';

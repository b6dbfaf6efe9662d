export { ToolsScreen } from './ToolsScreen';

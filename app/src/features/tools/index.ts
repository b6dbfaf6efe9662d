export { ToolsScreen } from './ToolsScreen';
export { WrenchScreen } from './WrenchScreen';

export { ShopScreen } from './ShopScreen';
export { SystemScreen } from './SystemScreen';

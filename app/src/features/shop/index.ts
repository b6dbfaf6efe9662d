export { ShopScreen } from './ShopScreen';

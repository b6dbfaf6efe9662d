import { createContext } from 'react';

/**
 * What the router takes from its own stacks and tabs, without bringing them along: screens here are
 * shown one at a time (`Slot`). A quarter of what a slow phone would have to read first.
 */
export { StackRouter } from 'expo-router/build/react-navigation/routers';
export const BottomTabBarHeightContext = createContext<number | undefined>(undefined);
export const isNativeTabTrigger = (): boolean => false;

/**
 * Whether this is the screen in front: those beneath it stay as they are, and ask for nothing until
 * they are in front again.
 */
export { useIsFocused as useIsShown } from 'expo-router';

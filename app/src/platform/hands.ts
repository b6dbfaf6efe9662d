import { keptChoice } from './keptChoice';

/**
 * What helps when both hands are on the bar: each switched by itself, per person on this device.
 */
export interface Hands {
  sound: boolean;
  speech: boolean;
  vibration: boolean;
  /** For a phone two metres away. */
  huge: boolean;
}

export const { useKept: useHands, put: putHands } = keptChoice<Hands>('hands', {
  sound: false,
  speech: false,
  vibration: true,
  huge: false,
});

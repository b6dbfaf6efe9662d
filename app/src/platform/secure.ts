import { useState } from 'react';
import { tabTexts } from './keptText';

const KEY = 'stennet.insecureSeen';

/**
 * Whether this address lacks what a browser gives to secure ones only, as long as no one has said
 * that they have read it in this tab.
 */
export function useInsecure(): { isToSay: boolean; seen: () => void } {
  const [isToSay, setToSay] = useState(() => !window.isSecureContext && tabTexts.get(KEY) === null);
  return {
    isToSay,
    seen: () => {
      tabTexts.put(KEY, 'yes');
      setToSay(false);
    },
  };
}

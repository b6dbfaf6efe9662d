import { useState } from 'react';

const KEY = 'stennet.insecureSeen';

/** Whether this address lacks what a browser gives to secure ones only, as long as nobody has said that they have read it in this tab. */
export function useInsecure(): { isToSay: boolean; seen: () => void } {
  const [isToSay, setToSay] = useState(() => !window.isSecureContext && sessionStorage.getItem(KEY) === null);
  return {
    isToSay,
    seen: () => {
      sessionStorage.setItem(KEY, 'yes');
      setToSay(false);
    },
  };
}

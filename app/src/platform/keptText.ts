/** A small text that a browser keeps under a name. */
export interface KeptTexts {
  get: (name: string) => string | null;
  put: (name: string, text: string) => void;
  drop: (name: string) => void;
}

/**
 * Browsers that keep nothing, or have no room left, refuse even to be asked. What is put then lasts
 * until the page is closed, and nothing else stops working for it.
 */
function texts(which: 'localStorage' | 'sessionStorage'): KeptTexts {
  const unkept = new Map<string, string>();
  const get = (name: string): string | null => {
    try {
      return unkept.get(name) ?? globalThis[which].getItem(name);
    } catch {
      return null;
    }
  };
  const put = (name: string, text: string): void => {
    unkept.set(name, text);
    try {
      globalThis[which].setItem(name, text);
      unkept.delete(name);
    } catch {
      // It stays in memory.
    }
  };
  const drop = (name: string): void => {
    unkept.delete(name);
    try {
      globalThis[which].removeItem(name);
    } catch {
      // There was nothing to drop.
    }
  };
  return { get, put, drop };
}

/** Of this browser, for good. */
export const keptTexts = texts('localStorage');
/** Of this tab, as long as it is open. */
export const tabTexts = texts('sessionStorage');

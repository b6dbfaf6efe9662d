// The Chromium of tests and benches.
import fs from 'node:fs';

/** Without windows of its own first: it does a quarter less, and shows a page the same. */
export const BROWSERS = {
  'chromium-headless-shell': '/usr/bin/chromium-headless-shell',
  chromium: '/usr/bin/chromium',
};

/** Where it is; undefined: not installed. */
export const browserPath = () => Object.values(BROWSERS).find((file) => fs.existsSync(file));

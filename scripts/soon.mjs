// For checks: waits until something is so; what never comes is a failure that says what.
import assert from 'node:assert/strict';

export async function soon(what, is) {
  let why = '';
  for (let tries = 0; tries < 1200; tries += 1) {
    try {
      if (await is()) return;
    } catch (error) {
      why = error.message; // not yet
    }
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  assert.fail(`never: ${what} ${why}`);
}

/** What a check ends with that could not try everything here: neither passed nor failed. */
export const NOT_TRIED = 77;

export function notTried(why) {
  console.log(`not tried: ${why}`);
  process.exitCode = NOT_TRIED;
}

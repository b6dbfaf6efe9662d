// ./stennet put-away: signed runs that have not been touched for so long go into record files, and
// their entries leave the database. They answer as before.
import { runAsOwner } from './asOwner.mjs';
import { Refusal } from './install.mjs';

const USUAL_DAYS = '400';

export async function putAway({ days = USUAL_DAYS }) {
  if (!/^[1-9]\d{0,4}$/.test(days))
    throw new Refusal('--days needs a whole number, 1 or more: how long a signed job has rested.');
  if (!process.env.FILES_DIR && !process.env.FILES_URL)
    throw new Refusal(
      'Name a place for record files that every server reads: a folder in FILES_DIR, or a bucket in FILES_URL. docs/SCALING.md says more.',
    );
  await runAsOwner('putAway.js', [days]);
}

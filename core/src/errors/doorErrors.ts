import { entry } from './entry';

/** Refusals at the door: requests, sign-in, people. */
export const doorErrors = {
  // at the door
  BAD_REQUEST: entry(
    (p) => `This request cannot be read: ${p.where ?? 'body'}.`,
    'Load the page again. If it stays, the app and the server are of different age.',
  ),
  TOO_LARGE: entry('This is more than one request may carry.', 'Send it in smaller parts.'),
  BUSY: entry(
    'Something large of yours is still under way.',
    'Wait until it has come, then ask again.',
  ),
  NOT_FOUND: entry('There is nothing at this address.', 'Go back to Today.'),
  SIGN_IN_NEEDED: entry(
    'You are not signed in, or your sign-in has run out.',
    'Sign in. What you entered is kept on this device.',
  ),
  SIGN_IN_WRONG: entry(
    'Name and password do not belong together.',
    'Check both, mind capitals, and try again.',
  ),
  SIGN_IN_LIMITED: entry(
    (p) => `Too many wrong tries. Signing in with this name rests for ${p.minutes ?? 15} minutes.`,
    'Wait, or ask your lead technician.',
  ),
  WRONG_ORIGIN: entry('This request came from another site.', 'Open the app at its own address.'),
  WRONG_HOST: entry(
    (p) => `“${p.host ?? ''}” is not a name of this server.`,
    'Open the app at its own address. Whoever runs the server gives it this name with --hosts.',
  ),
  ID_TAKEN: entry(
    'Something is stored under this id already.',
    'Load the page again: it may have been saved before.',
  ),
  FORBIDDEN: entry((p) => `A ${p.role ?? 'person'} may not do this.`, 'Ask your lead technician.'),
  WRONG_PERSON: entry(
    'These entries were made by another person.',
    'That person signs in to send them; they are kept until then.',
  ),
  OFFLINE: entry(
    'The server cannot be reached.',
    'Go on: what you confirm is kept on this device and sent later.',
  ),
  INTERNAL: entry(
    'Something went wrong on the server.',
    'Try again. If it stays, note the time and tell whoever runs the server.',
  ),
  KEY_MISSING: entry(
    'The shop’s signing key is missing on the server: nothing can be recorded.',
    'Tell whoever runs the server: put the key file back from a backup.',
  ),
  KEY_CHANGED: entry(
    'The signing key on the server is not the one this shop’s records are sealed with: nothing can be recorded.',
    'Tell whoever runs the server: put the right key file back from a backup.',
  ),
  DISK_FULL: entry(
    'The server’s disk is full: it takes nothing more.',
    'Go on: what you confirm is kept on this device and sent when there is room. Tell whoever runs the server.',
  ),
  STORAGE_HANGS: entry(
    'This device’s storage does not answer, so the last entry was not taken.',
    'Close other tabs of Stennet, then confirm it again. If it stays, restart the browser.',
  ),
  STORAGE_FAILED: entry(
    'This device could not keep the last entry, so it was not taken.',
    'Free some storage or leave private browsing, then confirm it again.',
  ),
  // a new shop and its people
  SETUP_DONE: entry(
    'There is a shop here already.',
    'Sign in. A lead adds people on the account page.',
  ),
  SETUP_CODE: entry(
    'That is not the code of this installation.',
    'It is printed where Stennet was started; ./stennet status prints it again.',
  ),
  NAME_TAKEN: entry(
    (p) => `There is a ${p.name} here already.`,
    'Add something that tells them apart, a second name for example.',
  ),
  PASSWORD_FORM: entry(
    'This password is too easy to guess.',
    'Take ten signs or more: no name, no year, no row of keys. Three words that have nothing to do with each other are good.',
  ),
  PASSWORD_NEEDED: entry(
    (p) => `Type your password once more, ${p.name}: this opens a door.`,
    'Then do it again.',
  ),
  CODE_WRONG: entry(
    'Name and code do not belong together, or the code has run out.',
    'A code is good once, for a day. Ask your lead technician for another.',
  ),
  CODE_ELSEWHERE: entry(
    'This person works in another shop too, so no single shop’s lead gives them a code.',
    'They change their password themselves, or whoever runs the server gives them a code.',
  ),
  HAS_LEFT: entry('You no longer belong to a shop here.', 'Ask the lead technician of the shop.'),
  LAST_LEAD: entry(
    'The shop would have no lead technician left.',
    'Make somebody else lead first.',
  ),
  NOT_ENROLLED: entry(
    'This person is not enrolled on this device.',
    'They sign in here once with their password and enrol.',
  ),
};

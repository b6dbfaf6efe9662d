export const doorErrors = {
  BAD_REQUEST: {
    message: 'The server couldn’t read this request ({{where}}).',
    fix: 'Reload the page. If it happens again, the app is out of date.',
  },
  TOO_LARGE: {
    message: 'That’s too large for one request.',
    fix: 'Send it in smaller parts.',
  },
  BUSY: {
    message: 'Another large request of yours is still running.',
    fix: 'Wait until it is done, then try again.',
  },
  NOT_FOUND: {
    message: 'Nothing found at this address.',
    fix: 'Check the link, or go back to Today.',
  },
  SIGN_IN_NEEDED: {
    message: 'You’re signed out.',
    fix: 'Sign in. Your entries are saved on this device.',
  },
  SIGN_IN_WRONG: {
    message: 'Wrong name or password.',
    fix: 'Check both and try again.',
  },
  SIGN_IN_LIMITED: {
    message: 'Too many failed tries. Sign-in is locked for {{minutes}} minutes.',
    fix: 'Wait, or ask your lead technician.',
  },
  WRONG_ORIGIN: {
    message: 'This request came from another site.',
    fix: 'Open Stennet at its own address.',
  },
  WRONG_HOST: {
    message: 'This server doesn’t answer to “{{host}}”.',
    fix: 'Open Stennet at its own address. To add this name, start the server with --hosts.',
  },
  ID_TAKEN: {
    message: 'Something is already saved under this ID.',
    fix: 'Reload the page: it may be saved already.',
  },
  FORBIDDEN: {
    message: 'Your role ({{role}}) doesn’t allow this.',
    fix: 'Ask your lead technician.',
  },
  WRONG_PERSON: {
    message: 'Someone else made these entries.',
    fix: 'They stay here until that person signs in to send them.',
  },
  OFFLINE: {
    message: 'Can’t reach the server.',
    fix: 'Keep working. Entries are saved on this device and sent later.',
  },
  INTERNAL: {
    message: 'Something went wrong on the server.',
    fix: 'Try again. If it happens again, note the time and tell the person who runs the server.',
  },
  KEY_MISSING: {
    message: 'The shop’s signing key is missing on the server. Nothing can be recorded.',
    fix: 'Tell the person who runs the server to restore the key file from a backup.',
  },
  KEY_CHANGED: {
    message:
      'The server has a different signing key than this shop’s records. Nothing can be recorded.',
    fix: 'Tell the person who runs the server to restore the right key file from a backup.',
  },
  DISK_FULL: {
    message: 'The server’s disk is full.',
    fix: 'Keep working. Entries are saved on this device and sent later. Tell the person who runs the server.',
  },
  STORAGE_HANGS: {
    message: 'This device’s storage isn’t responding. The last entry wasn’t saved.',
    fix: 'Close other Stennet tabs and confirm again. If it happens again, restart the browser.',
  },
  STORAGE_FAILED: {
    message: 'This device couldn’t save the last entry.',
    fix: 'Free some storage or leave private browsing, then confirm again.',
  },
  // a new shop and its people
  SETUP_DONE: {
    message: 'A shop is already set up here.',
    fix: 'Sign in. A lead adds people on the account page. For another shop, get a code from the person who runs the server.',
  },
  SETUP_CODE: {
    message: 'Wrong setup code, or it has been used.',
    fix: 'Ask the person who runs the server: ./stennet status prints the first one, ./stennet new-shop makes one for another shop. That one works once, within 7 days.',
  },
  NAME_TAKEN: {
    message: 'The name {{name}} is already taken.',
    fix: 'Add a last name or initial.',
  },
  PASSWORD_FORM: {
    message: 'This password is too easy to guess.',
    fix: 'Use at least 10 characters without names, years or keyboard rows. Three unrelated words work well.',
  },
  PASSWORD_NEEDED: {
    message: 'Enter your password again, {{name}}.',
    fix: 'Then try again.',
  },
  CODE_WRONG: {
    message: 'Wrong name or code, or the code has expired.',
    fix: 'A code works once, for one day. Ask your lead technician for a new one.',
  },
  CODE_ELSEWHERE: {
    message: 'This person also works in another shop, so a lead can’t give them a code.',
    fix: 'They can change the password themselves, or get a code from the person who runs the server.',
  },
  HAS_LEFT: {
    message: 'You no longer belong to a shop here.',
    fix: 'Ask the shop’s lead technician.',
  },
  LAST_LEAD: {
    message: 'The shop needs at least one lead technician.',
    fix: 'Make someone else lead first.',
  },
  NOT_ENROLLED: {
    message: 'This person isn’t enrolled on this device.',
    fix: 'They sign in here once with their password and enroll.',
  },
} as const;

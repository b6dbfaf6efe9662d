import { ROLE_TEXT } from '@stennet/core/contract';
export const text = {
  title: 'People and passwords',
  titleOwn: 'Password and sign-ins',
  loading: 'Looking up who is here',
  failed: 'This cannot be shown now',
  retry: 'Try again',
  roles: ROLE_TEXT,

  // one's own
  password: 'Your password',
  passwordOld: 'Password now',
  passwordNew: 'New password, 10 signs or more',
  passwordGo: 'Change the password',
  passwordDone: 'Changed. Everywhere else you are signed out.',
  sessions: 'Where you are signed in',
  sessionsOf: (name: string) => `Where ${name} is signed in`,
  session: (device: string, seen: string) => `${device}, last touched ${seen}`,
  sessionThis: 'this device',
  sessionEnd: (device: string) => `Sign out ${device}`,
  sessionsEnd: 'Sign out everywhere else',
  sessionsNone: 'Nowhere now.',

  // people
  people: 'People',
  person: (name: string, role: string) => `${name}, ${role}`,
  left: (name: string) => `${name}, has left`,
  change: (name: string) => `Change ${name}`,
  close: 'Close',
  role: 'What they are',
  roleGo: 'Save what they are',
  leaves: (name: string) => `${name} has left: sign out everywhere`,
  leavesText:
    'They are signed out at once and cannot come in again. What they confirmed stays under their name.',
  comesBack: (name: string) => `${name} is back`,
  code: 'Forgot their password?',
  codeText:
    'You give them a code. With it they set a new password themselves, on the sign-in page. Their old one ends then.',
  codeGo: 'Make a code',
  codeIs: (name: string, hours: number) => `Code for ${name}, good once within ${hours} hours`,
  codeShown: 'It is shown only now.',
  own: 'Your own password, once more',
  saved: 'Saved.',

  // adding
  add: 'Add somebody',
  addName: 'Their name',
  addPassword: 'First password, 10 signs or more',
  addGo: 'Add them',
  added: (name: string) => `${name} can sign in now.`,

  // the log of the door
  log: 'What happened at the door',
  logText:
    'The last first. Wrong tries that you cannot explain: ask, and change what was guessed at.',
  logNone: 'Nothing yet.',
  logMore: (n: number) => `Show ${n} more`,
  logLine: (what: string, where: string) => `${what} · ${where}`,
  kinds: {
    signedIn: (who: string) => `${who} signed in`,
    switchedIn: (who: string) => `${who} took over a shared phone`,
    wrongPassword: (_who: string, about: string) => `Wrong password for ${about}`,
    wrongPin: (who: string, about: string) =>
      `Wrong PIN for ${about}, typed ${who === '' ? 'on a shared phone' : `where ${who} was signed in`}`,
    passwordChanged: (who: string) => `${who} changed their password`,
    pinSet: (who: string) => `${who} set a PIN`,
    codeGiven: (who: string, about: string) => `${who} made a code for ${about}`,
    codeUsed: (who: string) => `${who} set a new password with a code`,
    personAdded: (who: string, about: string) => `${who} added ${about}`,
    personChanged: (who: string, about: string) =>
      `${who} changed what ${about} is or whether they are here`,
    sessionEnded: (who: string, about: string) =>
      `${who} signed out ${who === about ? 'another device of their own' : `a device of ${about}`}`,
    shopChanged: (who: string) => `${who} changed the shop’s settings`,
    enrolled: (who: string) => `${who} enrolled on a shared phone`,
    customerErased: (who: string) => `${who} erased a customer`,
  } as Record<string, (who: string, about: string) => string>,
} as const;

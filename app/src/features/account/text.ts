import { ROLE_TEXT } from '@stennet/core/contract';
export const text = {
  shop: 'The shop',
  secondText:
    'Records can be signed by a second person too: the lead, or another technician. A sheet can want that for itself.',
  secondOn: '✓ Every record is signed by a second person',
  secondOff: 'Have every record signed by a second person',
  secondOwn: 'Your password, to let go of it',
  zone: 'Time zone',
  idle: 'A sign-in that nobody touches asks again after',
  idleTimes: { 15: '15 minutes', 60: '1 hour', 240: '4 hours', 840: 'the working day' } as Record<
    number,
    string
  >,
  retention: 'Customers’ names, plates and notes are erased after hand-over',
  retentionTimes: {
    0: 'never',
    24: 'after 2 years',
    60: 'after 5 years',
    120: 'after 10 years',
  } as Record<number, string>,
  witnessText:
    'A witness file says how far the shop’s records have come. Kept on another machine, it shows if any of them is missing here later.',
  witness: 'Save a witness file',
  shopSave: 'Save the shop’s settings',
  shopSaved: 'Saved.',
  product: 'Stennet',
  claim: 'The right torque, the right order, on the record.',
  name: 'Name',
  password: 'Password',
  signIn: 'Sign in',
  signingIn: 'Signing in',
  haveCode: 'I was given a code',
  code: 'Code',
  codePassword: 'New password, 10 signs or more',
  codeGo: 'Set the password and sign in',
  noCode: 'I know my password',
  offlineTitle: 'The server cannot be reached',
  offlineFirst:
    'Signing in needs the server. Check that this device is on the shop’s network, then try again.',
  retry: 'Try again',
  loading: 'Opening the shop',
  account: 'Account',
  signedInAs: (name: string, role: string, shop: string) => `${name}, ${role} at ${shop}`,
  otherShops: 'Your other shops',
  goTo: (shop: string) => `Work at ${shop}`,
  light: 'How it looks',
  themes: { device: 'As the device', light: 'Light', dark: 'Dark' },
  signOut: 'Sign out',
  unsentKept: (n: number) =>
    `${n} ${n === 1 ? 'entry is' : 'entries are'} not on the server yet. They stay on this device and are sent when you sign in here again.`,
  device: 'This device',
  startsOffline: 'The app starts without the server here.',
  needsServer:
    'The app cannot start without the server here yet. Open it once more with a connection; on an insecure address it never can.',
  insecure:
    'This address is not secure: the screen may go dark during a run, and the app does not start off-line. Everything else works, also while the network is away.',
  newVersion: 'A newer version is ready. Take it when no run is open.',
  takeVersion: 'Take the new version',
  lostTitle: 'There is nothing here',
  lost: 'The address does not lead anywhere. Your work is where you left it.',
  toToday: 'Go to Today',
  roles: ROLE_TEXT,

  // clocks
  clocks: 'Clocks that run',
  clock: (what: string) => `${what}: to the run`,
  left: (time: string) => `${time} left`,
  over: (time: string) => `over by ${time}`,
  wait: (time: string) => `${time} to wait`,
  waited: 'waited long enough',
  ending: (what: string) => `${what}: the time is nearly over.`,
  isOver: (what: string) => `${what}: the time is over.`,
  mayGoOn: (what: string) => `${what}: waited long enough.`,

  // shared phone
  bay: 'Shared phone',
  bayText:
    'Whoever enrols here once switches over with their PIN. What each confirms goes out under their own name.',
  bayEnrol: 'Enrol me on this device',
  bayLeave: 'Take me off this device',
  bayHere: 'You are enrolled here.',
  bayTo: (name: string) => `Switch to ${name}`,
  bayPin: (name: string) => `PIN of ${name}`,
  bayGo: 'Switch over',
  cancel: 'Cancel',
  unverified: (name: string) => `${name}: not verified yet`,
  unverifiedText:
    'The PIN is checked when the server can be reached. Go on: what you confirm is kept, and goes out after that.',
  clockOff: (minutes: number) =>
    `This device’s clock is ${Math.abs(minutes)} minutes ${minutes > 0 ? 'fast' : 'slow'}`,
  clockOffText:
    'Times on the record would be wrong. Set it right in the device’s settings; what was confirmed meanwhile stays as it is.',
  unsentOf: (name: string, n: number) =>
    `${name || 'Somebody'} signs in here to send ${n} ${n === 1 ? 'entry' : 'entries'}.`,
  unsentSave: 'Save what is not sent as a file',
  unsentRead: 'Read unsent entries back from a file',
  unsentSaved: (n: number) =>
    `${n} ${n === 1 ? 'entry is' : 'entries are'} in the file. They stay on this device too.`,
  unsentBack: (n: number) => `${n} ${n === 1 ? 'entry came' : 'entries came'} back.`,
  storageKept: 'The browser keeps what is stored here.',
  storageMay:
    'The browser may clear what is stored here when room gets short. Send or save what waits before you leave it for long.',
  storageFull:
    'The storage of this device is nearly full: confirmations may be refused. Free some room.',
  storageRefused: 'This browser keeps nothing on this device',
  storageRefusedText:
    'A private window, or storage is blocked for this address. Everything can be looked at; what is confirmed is refused, because a crash would lose it. Open Stennet in an ordinary window.',
  storageHangs: 'This device’s storage does not answer',
  storageHangsText:
    'Nothing can be confirmed until it does. Close other tabs of Stennet; if it stays, restart the browser. What the server has is safe.',
  storageCleared: (n: number) =>
    n === 0
      ? 'The browser has cleared this device'
      : `The browser has cleared this device; ${n} ${n === 1 ? 'entry had' : 'entries had'} not been sent`,
  storageNothingLost:
    'Nothing was waiting: the server has everything, and it is loaded again as it is opened.',
  storageLost:
    'What stood on an open screen was stored again. For the rest look at the last fasteners of each open run: the server’s list may end before what your hands did.',
  insecureTitle: 'This address is not secure',
  seen: 'I have seen it',

  // first visit
  setupTitle: 'The first visit',
  setupText:
    'Nobody is here yet. Whoever fills this in becomes the lead of the shop, and adds the others afterwards. The code was printed where Stennet was started.',
  setupCode: 'Code of this installation',
  setupShop: 'Name of the shop',
  setupPerson: 'Your name',
  setupPassword: 'Password, 10 signs or more',
  setupPaper: 'Paper',
  setupUnit: 'Torque is written in',
  setupUnits: { 'N.m': 'N·m', '[ft_i].[lbf_av]': 'ft·lb', 'kgf.m': 'kgf·m' },
  setupGo: 'Make the shop',

  people: 'People, passwords and sign-ins',
  ownDoors: 'Password and sign-ins',

  // PIN
  pin: 'Your PIN',
  pinText:
    'With it you switch over on a shared phone, and as a lead you allow exceptions on the technician’s device. Nobody else may know it.',
  pinLabel: 'New PIN, 4 to 8 digits',
  pinPassword: 'Your password',
  pinSave: 'Set the PIN',
  pinSaved: 'The PIN is set.',

  // what failed
  partMissing: 'This part of the app is not on this device yet',
  partMissingText:
    'The server cannot be reached to load it. Nothing is lost: go back to where there is a network, then load again.',
  broke: 'Something broke on this screen',
  brokeText:
    'What you confirmed is kept on this device. Load again; if it stays, note what you did last and tell whoever runs the server.',
  loadAgain: 'Load again',
} as const;

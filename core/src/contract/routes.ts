import type { Permission } from '../people/permissions';

interface Route {
  method: 'GET' | 'POST' | 'DELETE';
  path: string;
  /** null: signed in is enough; 'door': before signing in. */
  permission: Permission | null | 'door';
}

/**
 * The only place where app and server meet. What goes along each way stands in `bodies` and
 * `replies`.
 */
export const routes = {
  signIn: { method: 'POST', path: '/api/session', permission: 'door' },
  signOut: { method: 'DELETE', path: '/api/session', permission: 'door' },
  switchShop: { method: 'POST', path: '/api/session/shop', permission: null },
  setup: { method: 'GET', path: '/api/setup', permission: 'door' },
  makeShop: { method: 'POST', path: '/api/setup', permission: 'door' },
  enrol: { method: 'POST', path: '/api/session/enrol', permission: null },
  switchPerson: { method: 'POST', path: '/api/session/pin', permission: 'door' },
  stream: { method: 'GET', path: '/api/stream', permission: 'order.read' },
  touch: { method: 'POST', path: '/api/session/touch', permission: null },
  useCode: { method: 'POST', path: '/api/session/code', permission: 'door' },
  changePassword: { method: 'POST', path: '/api/me/password', permission: null },
  sessions: { method: 'GET', path: '/api/people/:person/sessions', permission: null },
  endSessions: { method: 'DELETE', path: '/api/people/:person/sessions', permission: null },
  endSession: { method: 'DELETE', path: '/api/people/:person/sessions/:session', permission: null },
  savePerson: { method: 'POST', path: '/api/people/:person', permission: 'shop.write' },
  giveCode: { method: 'POST', path: '/api/people/:person/code', permission: 'shop.write' },
  security: { method: 'GET', path: '/api/security', permission: 'shop.write' },
  addPerson: { method: 'POST', path: '/api/people', permission: 'shop.write' },
  me: { method: 'GET', path: '/api/me', permission: null },
  today: { method: 'GET', path: '/api/today', permission: 'order.read' },
  order: { method: 'GET', path: '/api/orders/:order', permission: 'order.read' },
  jointSheet: { method: 'GET', path: '/api/joints/:joint/sheet', permission: 'order.read' },
  orders: { method: 'GET', path: '/api/orders', permission: 'order.read' },
  createOrder: { method: 'POST', path: '/api/orders', permission: 'order.write' },
  saveOrder: { method: 'POST', path: '/api/orders/:order', permission: 'order.write' },
  setOrderState: { method: 'POST', path: '/api/orders/:order/state', permission: 'order.write' },
  addJob: { method: 'POST', path: '/api/orders/:order/jobs', permission: 'order.write' },
  saveEntry: {
    method: 'POST',
    path: '/api/orders/:order/entries/:entry',
    permission: 'order.write',
  },
  partsList: { method: 'GET', path: '/api/orders/:order/parts', permission: 'order.read' },
  people: { method: 'GET', path: '/api/people', permission: 'order.read' },
  tools: { method: 'GET', path: '/api/tools', permission: 'tool.read' },
  saveTool: { method: 'POST', path: '/api/tools/:tool', permission: 'tool.write' },
  wrenchChecks: { method: 'GET', path: '/api/tools/:tool/checks', permission: 'tool.read' },
  keepWrenchCheck: {
    method: 'POST',
    path: '/api/tools/:tool/checks/:check',
    permission: 'tool.write',
  },
  system: { method: 'GET', path: '/api/system', permission: 'shop.write' },
  practice: { method: 'GET', path: '/api/practice', permission: 'practice.do' },
  keepPractice: {
    method: 'POST',
    path: '/api/practice/:attempt',
    permission: 'practice.do',
  },
  practiceLog: { method: 'GET', path: '/api/practice/:attempt', permission: 'practice.do' },
  setPracticeRule: { method: 'POST', path: '/api/practice-rules', permission: 'practice.lead' },
  anglePaper: {
    method: 'GET',
    path: '/api/sheets/:sheet/:revision/disc',
    permission: 'sheet.read',
  },
  benchDisc: { method: 'GET', path: '/api/angle-disc', permission: 'sheet.read' },
  setPin: { method: 'POST', path: '/api/me/pin', permission: null },
  statements: { method: 'GET', path: '/api/runs/:run/statements', permission: 'run.read' },
  sayStatement: { method: 'POST', path: '/api/runs/:run/statements', permission: 'run.write' },
  photo: { method: 'GET', path: '/api/photos/:photo', permission: 'order.read' },
  photoPiece: { method: 'POST', path: '/api/photos/:photo', permission: 'order.write' },
  trace: { method: 'GET', path: '/api/traces/:trace', permission: 'run.read' },
  keepTrace: { method: 'POST', path: '/api/traces/:trace', permission: 'run.write' },
  run: { method: 'GET', path: '/api/runs/:run', permission: 'run.read' },
  findSheets: { method: 'GET', path: '/api/sheets', permission: 'sheet.read' },
  sheetsBeside: {
    method: 'GET',
    path: '/api/drafts/:sheet/beside',
    permission: 'sheet.write',
  },
  sheetPlaces: { method: 'GET', path: '/api/sheet-places', permission: 'sheet.read' },
  sheet: { method: 'GET', path: '/api/sheets/:sheet/:revision', permission: 'sheet.read' },
  sheetThumb: {
    method: 'GET',
    path: '/api/sheets/:sheet/:revision/thumb',
    permission: 'order.read',
  },
  printSheet: {
    method: 'GET',
    path: '/api/sheets/:sheet/:revision/print',
    permission: 'sheet.read',
  },
  vehicles: { method: 'GET', path: '/api/vehicles', permission: 'order.read' },
  setJointSheet: { method: 'POST', path: '/api/joints/:joint/sheet', permission: 'order.write' },
  addJoint: { method: 'POST', path: '/api/jobs/:job/joints', permission: 'order.write' },
  library: { method: 'GET', path: '/api/library', permission: 'sheet.write' },
  libraryChanges: { method: 'GET', path: '/api/library/changes', permission: 'sheet.read' },
  exportSheets: { method: 'GET', path: '/api/library/export', permission: 'sheet.read' },
  importSheets: { method: 'POST', path: '/api/library/import', permission: 'sheet.approve' },
  draft: { method: 'GET', path: '/api/drafts/:sheet', permission: 'sheet.write' },
  saveDraft: { method: 'POST', path: '/api/drafts/:sheet', permission: 'sheet.write' },
  discardDraft: { method: 'POST', path: '/api/drafts/:sheet/discard', permission: 'sheet.write' },
  approveDrafts: { method: 'POST', path: '/api/library/approve', permission: 'sheet.approve' },
  signatures: { method: 'GET', path: '/api/runs/:run/signatures', permission: 'run.read' },
  signRun: { method: 'POST', path: '/api/runs/:run/signatures', permission: 'run.write' },
  recordOut: { method: 'GET', path: '/api/runs/:run/record', permission: 'run.read' },
  orderArchive: { method: 'GET', path: '/api/orders/:order/archive', permission: 'order.read' },
  handOver: { method: 'GET', path: '/api/orders/:order/hand-over', permission: 'order.read' },
  takeForeign: { method: 'POST', path: '/api/foreign', permission: 'order.write' },
  checkForeign: { method: 'GET', path: '/api/foreign/:run/check', permission: 'run.read' },
  foreignRecord: { method: 'GET', path: '/api/foreign/:run', permission: 'run.read' },
  history: { method: 'GET', path: '/api/history', permission: 'run.read' },
  followUps: { method: 'GET', path: '/api/follow-ups', permission: 'order.read' },
  settleFollowUp: { method: 'POST', path: '/api/follow-ups/:followUp', permission: 'order.write' },
  calendar: { method: 'GET', path: '/api/follow-ups/calendar', permission: 'order.read' },
  /** Who had it done is forgotten; the record stays. */
  eraseCustomer: { method: 'POST', path: '/api/orders/:order/erase', permission: 'shop.write' },
  /** How far the journal has come, signed: taken elsewhere, it witnesses what stands here. */
  witness: { method: 'GET', path: '/api/witness', permission: 'shop.write' },
  makeFeed: { method: 'POST', path: '/api/me/feed', permission: 'order.read' },
  dropFeed: { method: 'DELETE', path: '/api/me/feed', permission: 'order.read' },
  feed: { method: 'GET', path: '/api/feed/:token', permission: 'door' },
  saveShop: { method: 'POST', path: '/api/shop', permission: 'shop.write' },
  /**
   * Also for others on a shared device, by their proof: the permission to write is asked of who
   * confirmed it.
   */
  appendRunEvents: { method: 'POST', path: '/api/runs/:run/events', permission: 'run.read' },
} as const satisfies Record<string, Route>;

export type RouteName = keyof typeof routes;

import type { OrderState } from '@stennet/core/order';

/**
 * The key of every answer that is kept. Each begins with what it is an answer about, so that a
 * change there asks for all of it again.
 */
export const queryKeys = {
  me: ['me'],
  setup: ['setup'],
  today: ['today'],
  everyOrder: ['order'],
  order: (order: string) => ['order', order],
  orders: ['orders'],
  ordersLike: (q: string, state: OrderState | '') => ['orders', q, state],
  everyJointSheet: ['jointSheet'],
  jointSheet: (joint: string) => ['jointSheet', joint],
  vehicle: (vin: string) => ['vehicle', vin],
  people: ['people'],
  everySession: ['sessions'],
  sessions: (person: string) => ['sessions', person],
  security: ['security'],
  tools: ['tools'],
  statements: (run: string) => ['statements', run],
  signing: (run: string) => ['signing', run],
  trace: (name: string) => ['trace', name],
  traceLooks: (name: string, pulls: readonly string[]) => ['trace-looks', name, pulls],
  followUps: ['followUps'],
  followUpsThat: (state: string) => ['followUps', state],
  history: ['history'],
  historyOf: (asked: Record<string, string> | null) => ['history', asked],
  everyForeign: ['foreign'],
  foreign: (run: string) => ['foreign', run],
  foreignCheck: (run: string) => ['foreign', run, 'check'],
  everyFound: ['findSheets'],
  found: (q: string, filter: object) => ['findSheets', q, filter],
  foundForJob: (filter: object) => ['findSheets', '', filter, 'job'],
  sheetPlaces: ['sheetPlaces'],
  everySheet: ['sheet'],
  sheet: (sheet: string, revision: string) => ['sheet', sheet, revision],
  sheetsAtHand: (whose: string) => ['sheetsAtHand', whose],
  library: ['library'],
  unsent: (count: number) => ['unsent', count],
  unsentDrafts: (person: string, shop: string) => ['unsentDrafts', person, shop],
} as const;

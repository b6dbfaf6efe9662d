import { announcer } from '@/platform/announce';

/** Told when the person or the shop changes: what is held in memory of them goes. */
export const { on: onLeaving, tell: leave } = announcer();

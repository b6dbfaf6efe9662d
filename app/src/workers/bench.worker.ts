import { expose } from 'comlink';
import { compareOrders, compareWays, pullByPull } from '@stennet/core/bench';

// Thin: ten thousand bolts, or two hundred joints, would hold the screen.
const api = { compareOrders, compareWays, pullByPull };
export type BenchWorker = typeof api;

expose(api);

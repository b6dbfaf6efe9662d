import { expose } from 'comlink';
import { lookAtLast, lookAtPulls } from '@stennet/core/trace';

// Thin: a run with forty traced fasteners would hold the screen for a second.
const api = { lookAtPulls, lookAtLast };
export type TracesWorker = typeof api;

expose(api);

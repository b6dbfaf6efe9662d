import { expose } from 'comlink';
import { lookAtPulls } from '@stennet/core/trace';

// Thin: a run with forty traced fasteners would hold the screen for a second.
const api = { lookAtPulls };
export type TracesWorker = typeof api;

expose(api);

/** What a curve can be taken for. */
export const TRACE_CLASSES = [
  'ok',
  'cross_thread',
  'bottoming',
  'liquid_lock',
  'strip',
  'stick_slip',
  'reused_yielded',
  'wrong_lube',
  'angle_slip',
] as const;
export type TraceClass = (typeof TRACE_CLASSES)[number];

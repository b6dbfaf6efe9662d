/**
 * Stored with every verdict, so that a later recomputation can stand beside what was shown at the
 * time.
 */
export const CORE_VERSION = '0.2.0';

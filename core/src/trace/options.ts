/** All thresholds of the analysis; units in the names. Chosen on simulated pulls only. */
export const OPTIONS = {
  sampleHz: 100,
  stepWindowS: 0.03,
  stepMinDeg: 5,
  stepTorqueRatio: 0.35,
  backDeg: 1,
  releaseRatio: 0.6,
  reengageRatio: 0.9,
  restAdvanceDeg: 2.5,
  lowTorqueRatio: 0.3,
  toothDeg: 5,
  cellDeg: 0.5,
  windowDeg: 12,
  yieldOn: 0.5,
  yieldOff: 0.65,
  yieldHoldDeg: 6,
} as const;

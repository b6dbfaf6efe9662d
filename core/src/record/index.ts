export { entryProof } from './entryProof';
export {
  canonicalJson,
  firstBreak,
  GENESIS_HASH,
  hashWith,
  sealEvent,
  sha256Hex,
  sha256OfBytes,
  traceName,
  type StoredEvent,
} from './hashChain';
export { measuredIn, type MeasuredValue } from './measuredIn';

export {
  pullsIn,
  runRecord,
  takesPart,
  type RecordedFastener,
  type RecordedPull,
  type RunRecord,
} from './runRecord';
export { recordDocument, type RecordDocument } from './recordDocument';
export { RecordFileSchema, type RecordFile } from './recordFile';
export { oddTimes, oddTimeText, waitedAtMost, type OddTime } from './oddTimes';
export { eventsIn, storedIn, fileIsFor, newerRecord, recordFileHash } from './sealedFile';
export {
  SIGNED_KINDS,
  signedFor,
  SignedWordSchema,
  signingState,
  wordHash,
  wordText,
  type SignedFor,
  type SignedKind,
  type SignedRow,
  type SignedWord,
} from './signedWord';
export {
  faultText,
  orderFault,
  verifyRecordFile,
  verifyRun,
  wordIn,
  type ChainRow,
  type Fault,
  type FitsKey,
} from './verifyRecord';
export {
  boltLabel,
  cellText,
  DEVIATION_TEXT,
  happenedText,
  deviationText,
  fastenerLabel,
  METHOD_TEXT,
  OUTCOME_TEXT,
  saidText,
  sightResult,
  sightTitle,
} from './words';
export { spreadsOf, type Spread } from './spread';
export {
  actText,
  isSerious,
  lookName,
  lookText,
  tracedPulls,
  tracedStages,
  tracesNamed,
  type TracedStage,
} from './traced';
export { wrenchUses, type WrenchUse } from './wrenchUse';
export type { RecordedWord } from './recordedWords';
export { PULL_COLUMNS, pullRows } from './pullTable';
export { SIGHT_KINDS, type RecordedSight } from './stepSights';

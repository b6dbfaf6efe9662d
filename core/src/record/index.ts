export { canonicalJson, firstBreak, GENESIS_HASH, sealEvent, sha256Hex, sha256OfBytes, type StoredEvent } from './hashChain';
export { measuredIn, type MeasuredValue } from './measuredIn';
export { seenIn, type RecordedSight } from './seenIn';
export { pullsIn, runRecord, takesPart, type RecordedFastener, type RecordedPull, type RecordedWord, type RunRecord } from './runRecord';

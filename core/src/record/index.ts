export { canonicalJson, firstBreak, GENESIS_HASH, sealEvent, sha256Hex, type StoredEvent } from './hashChain';
export { pullsIn, runRecord, takesPart, type RecordedFastener, type RecordedPull, type RunRecord } from './runRecord';

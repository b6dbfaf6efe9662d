export { canonicalJson, firstBreak, GENESIS_HASH, sealEvent, sha256Hex, sha256OfBytes, type StoredEvent } from './hashChain';
export { pullsIn, runRecord, takesPart, type RecordedFastener, type RecordedPull, type RecordedWord, type RunRecord } from './runRecord';

export { AppError, toWire, type WireError } from './AppError';
export { ERROR_CODES, isErrorCode, type ErrorCode, type ErrorParams } from './catalogue';

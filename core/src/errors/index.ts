export { AppError, toWire, type WireError } from './AppError';
export { catalogue, type ErrorCode, type ErrorParams } from './catalogue';

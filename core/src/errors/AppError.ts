import { fixOf, messageOf, type ErrorCode, type ErrorParams } from './catalogue';

/**
 * A refusal that a person reads: what is wrong, what it would do, what to do now.
 * Code branches on `code`, never on the text.
 */
export class AppError extends Error {
  readonly code: ErrorCode;
  readonly params: ErrorParams;

  constructor(code: ErrorCode, params: ErrorParams = {}) {
    super(messageOf(code, params));
    this.name = 'AppError';
    this.code = code;
    this.params = params;
  }

  /** What to do now, in the technician's words. */
  get fix(): string {
    return fixOf(this.code, this.params);
  }
}

/**
 * The form in which a refusal crosses the wire; text is made again on the other side from code and
 * params.
 */
export interface WireError {
  code: ErrorCode;
  params: ErrorParams;
  message: string;
  fix: string;
}

export function toWire(error: AppError): WireError {
  return { code: error.code, params: error.params, message: error.message, fix: error.fix };
}

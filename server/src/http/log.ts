import { pino, type Logger } from 'pino';

/**
 * JSON lines on standard output. A disk without room for a line of the log must not end the server.
 */
export function logger(level: string): Logger {
  const lines = pino.destination({ dest: 1, sync: true });
  lines.on('error', () => undefined);
  return pino({ level }, lines);
}

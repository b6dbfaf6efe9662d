import * as v from 'valibot';
import { routes } from '@stennet/core/contract';
import { ImportLineSchema, type ImportLine } from '@stennet/core/contract/work';
import { AppError, isErrorCode } from '@stennet/core/errors';

export interface ImportProgress {
  /** Share of the file that has gone out, 0 to 1. */
  sent: number;
  line: ImportLine | null;
}

/**
 * Sends a file of sheets and follows what the server makes of it, line by line. fetch cannot say
 * how much has gone out.
 * @param mode look: nothing is written
 * @throws AppError OFFLINE, or what the server refused the whole file with
 */
export function importFile(
  file: Blob,
  mode: 'look' | 'write',
  skipsRefused: boolean,
  onProgress: (p: ImportProgress) => void,
): Promise<ImportLine> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    const progress: ImportProgress = { sent: 0, line: null };
    const tell = (over: Partial<ImportProgress>): void => onProgress(Object.assign(progress, over));
    request.open(
      'POST',
      `${routes.importSheets.path}?mode=${mode}${skipsRefused ? '&skip=refused' : ''}`,
    );
    request.setRequestHeader('Content-Type', 'application/octet-stream');
    request.upload.onprogress = (e) => tell({ sent: e.total > 0 ? e.loaded / e.total : 0 });
    request.onprogress = () => {
      const line = lastLine(request.responseText);
      if (line) tell({ sent: 1, line });
    };
    request.onerror = () => reject(new AppError('OFFLINE'));
    request.onload = () => {
      const line = request.status === 200 ? lastLine(request.responseText) : null;
      if (line?.done) resolve(line);
      else reject(refusal(request.responseText));
    };
    request.send(file);
  });
}

/** The last whole line that has come in. */
function lastLine(text: string): ImportLine | null {
  const lines = text
    .slice(0, text.lastIndexOf('\n') + 1)
    .trimEnd()
    .split('\n');
  try {
    return v.parse(ImportLineSchema, JSON.parse(lines.at(-1) ?? ''));
  } catch {
    return null;
  }
}

function refusal(text: string): AppError {
  try {
    const { error } = JSON.parse(text) as {
      error?: { code?: string; params?: Record<string, string | number> };
    };
    if (isErrorCode(error?.code)) return new AppError(error.code, error.params ?? {});
  } catch {
    // No answer of ours: a proxy's own page, or half an answer.
  }
  return new AppError('OFFLINE');
}

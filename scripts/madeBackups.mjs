// The list of backups made of an installation, beside its keys: the System page shows it.
import fs from 'node:fs';
import path from 'node:path';

export const LIST = 'backups.jsonl';

/** A line more; it belongs to whom the folder belongs to, so that the server can read it. */
export function noteBackup(folder, { file, encrypted }) {
  const list = path.join(folder, LIST);
  const made = {
    at: new Date().toISOString(),
    name: path.basename(file),
    bytes: fs.statSync(file).size,
    encrypted,
  };
  fs.appendFileSync(list, `${JSON.stringify(made)}\n`, { mode: 0o600 });
  const { uid, gid } = fs.statSync(folder);
  if (process.getuid() === 0) fs.chownSync(list, uid, gid);
}

import fs from 'node:fs';

/** Started as root, the process becomes an ordinary user before it opens a connection or a port. */
export function dropRoot(): void {
  if (process.getuid?.() !== 0) return;
  const nobody = fs
    .readFileSync('/etc/passwd', 'utf8')
    .split('\n')
    .map((l) => l.split(':'))
    .find((f) => f[0] === 'nobody');
  if (!nobody)
    throw new Error('There is no user “nobody” to serve as. Start Stennet as an ordinary user.');
  process.setgroups?.([]);
  process.setgid?.(Number(nobody[3]));
  process.setuid?.(Number(nobody[2]));
}

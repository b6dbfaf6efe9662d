// Installs the hook that checks commit titles, for this clone only.
import { execFileSync } from 'node:child_process';
import { root } from './install.mjs';

export function hooks() {
  execFileSync('git', ['config', 'core.hooksPath', 'scripts/hooks'], { cwd: root });
  console.log('Commit titles are checked from now on. Undo: git config --unset core.hooksPath');
}

import { filesAt } from './bucket';
import type { Files } from './files';
import { filesIn } from './folder';

/**
 * By the environment: FILES_URL with FILES_KEY_ID, FILES_SECRET and FILES_REGION is a bucket;
 * FILES_DIR a folder; without either there is no such place.
 */
export function openFiles(env: NodeJS.ProcessEnv): Files | null {
  const { FILES_URL: url, FILES_DIR: folder } = env;
  if (!url) return folder ? filesIn(folder) : null;
  const given = (name: string): string => {
    const value = env[name];
    if (!value) throw new Error(`FILES_URL needs ${name}`);
    return value;
  };
  return filesAt({
    url: url.replace(/\/$/, ''),
    region: env.FILES_REGION || 'us-east-1',
    keyId: given('FILES_KEY_ID'),
    secret: given('FILES_SECRET'),
  });
}

import { randomUUID } from 'node:crypto';
import fs from 'node:fs/promises';
import path from 'node:path';
import type { Files } from './files';

/** One folder for each shop. Several servers share it: a volume that all of them mount. */
export function filesIn(folder: string): Files {
  const place = (shop: string, name: string): string => path.join(folder, shop, name);
  return {
    put: async (shop, name, bytes) => {
      const file = place(shop, name);
      if (await isThere(file)) return;
      await fs.mkdir(path.dirname(file), { recursive: true, mode: 0o700 });
      await writeWhole(file, bytes);
    },
    get: (shop, name) =>
      fs.readFile(place(shop, name)).catch((error: NodeJS.ErrnoException) => {
        if (error.code === 'ENOENT') return null;
        throw error;
      }),
  };
}

const isThere = (file: string): Promise<boolean> =>
  fs.access(file).then(
    () => true,
    () => false,
  );

/** Beside it first, then under its name: a power cut leaves all of it or nothing. */
async function writeWhole(file: string, bytes: Buffer): Promise<void> {
  const fresh = `${file}.${randomUUID()}`;
  try {
    const handle = await fs.open(fresh, 'w', 0o600);
    try {
      await handle.writeFile(bytes);
      await handle.sync();
    } finally {
      await handle.close();
    }
    await fs.rename(fresh, file);
  } catch (error) {
    await fs.rm(fresh, { force: true });
    throw error;
  }
  const folder = await fs.open(path.dirname(file), 'r');
  await folder.sync().finally(() => folder.close());
}

import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { mkdir, readdir, rename, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { caughtAs } from '../../runtime/log';

/** A file that waits in a seller's folder. */
export interface WaitingFile {
  /** the folder's name, which is the seller's */
  seller: string;
  name: string;
  path: string;
}

/** A file that was written within this is perhaps still being written, milliseconds. */
const SETTLED_MS = 3_000;
const LARGEST_BYTES = 512 * 1024 * 1024;
/** What is dropped by hand or by a program that fetches lists; anything else is left lying. */
const LISTS = /\.(csv|tsv|txt|xlsx|xlsm|ods)$/i;

/** Files of the sellers' folders in `folder` that have come to rest; nothing where there is no such folder. */
export async function waitingFiles(folder: string, now: number): Promise<WaitingFile[]> {
  const sellers = await readdir(folder, { withFileTypes: true }).catch(
    caughtAs('looking into the folder of price lists', []),
  );
  const waiting: WaitingFile[] = [];
  for (const seller of sellers.filter((one) => one.isDirectory())) {
    const inside = await readdir(join(folder, seller.name), { withFileTypes: true }).catch(
      caughtAs('looking into a seller’s folder', []),
    );
    for (const file of inside.filter((one) => one.isFile() && LISTS.test(one.name))) {
      const path = join(folder, seller.name, file.name);
      const known = await stat(path).catch(() => null);
      if (known !== null && now - known.mtimeMs >= SETTLED_MS)
        waiting.push({ seller: seller.name, name: file.name, path });
    }
  }
  return waiting.sort((a, b) => a.path.localeCompare(b.path));
}

/** SHA-256 of a file; null where it is larger than a list can be, or gone. */
export async function hashOf({ path }: WaitingFile): Promise<Uint8Array | null> {
  const known = await stat(path).catch(() => null);
  if (known === null || known.size > LARGEST_BYTES) return null;
  const hash = createHash('sha256');
  for await (const chunk of createReadStream(path)) hash.update(chunk);
  return hash.digest();
}

/** What is in a file, piece by piece. */
export const contentOf = ({ path }: WaitingFile): AsyncIterable<Uint8Array> => createReadStream(path);

/** Moves a file out of the way: into `taken`, or into `refused` with the sentence beside it. */
export async function putAway(file: WaitingFile, refused: string | null): Promise<void> {
  const folder = join(file.path, '..', refused === null ? 'taken' : 'refused');
  await mkdir(folder, { recursive: true });
  const name = `${new Date().toISOString().replace(/[:.]/g, '-')} ${file.name}`;
  await rename(file.path, join(folder, name));
  if (refused !== null) await writeFile(join(folder, `${name}.why.txt`), `${refused}\n`);
}

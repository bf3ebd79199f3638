import { contentOf, hashOf, putAway, waitingFiles } from '../../outward/lists/list-folder';
import { pool } from '../../store/database';
import { listKnown } from '../../store/market/price-lists';
import { findSeller } from '../../store/market/sellers';
import { takeList } from './price-lists';

export interface FolderOutcome {
  file: string;
  ok: boolean;
  sentence: string;
}

/**
 * Takes price lists that lie in the folder of their seller (`FOLDER/SELLER/list.csv`), to be looked at like any other:
 * nothing counts until somebody applies it. What was taken is moved to `taken`, what cannot be read to `refused`.
 */
export async function takeFromFolder(folder: string, now = Date.now()): Promise<FolderOutcome[]> {
  const outcomes: FolderOutcome[] = [];
  for (const file of await waitingFiles(folder, now)) {
    const told = (ok: boolean, sentence: string) =>
      outcomes.push({ file: `${file.seller}/${file.name}`, ok, sentence });
    const seller = await findSeller(pool(), file.seller);
    const sha256 = seller === null ? null : await hashOf(file);
    if (seller === null || sha256 === null) {
      const sentence = seller === null ? `There is no seller called ${file.seller}.` : 'A list is at most 512 MiB.';
      await putAway(file, sentence);
      told(false, sentence);
      continue;
    }
    // A crash between taking and moving leaves a file that is known already.
    const known = await listKnown(pool(), seller.id, sha256);
    const input = contentOf(file);
    const taken = known ? null : await takeList(null, seller.id, { name: file.name.slice(0, 200), input });
    const refused = taken === null || taken.ok ? null : taken.sentence;
    await putAway(file, refused);
    told(refused === null, refused ?? (known ? 'It was read before.' : 'It waits for review.'));
  }
  return outcomes;
}

import { createHash, randomInt } from 'node:crypto';
import { pool } from '../../store/database';
import type { Queryable } from '../../store/queryable';
import { hasOpeningCode, insertOpeningCode } from '../../store/shop/opening-codes';
import { maybeShop } from '../../store/shop/shop';

/** Letters and figures that nobody takes for one another. */
const LETTERS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';
/** 12 of 31: as good as 59 bits. */
const LENGTH = 12;
const GROUP = 4;

/** A code as it is hashed: without what parts it, in capitals. */
const codeHash = (code: string): Buffer =>
  createHash('sha256')
    .update(code.toUpperCase().replace(/[^A-Z0-9]/g, ''))
    .digest();

/**
 * Makes the code that opens an empty database as a shop, for anyone who starts it to read on the terminal.
 *
 * @returns `ABCD-EFGH-JKMN`; null where a shop is open already
 */
export async function makeOpeningCode(): Promise<string | null> {
  if ((await maybeShop(pool())) !== null) return null;
  const letters = Array.from({ length: LENGTH }, () => LETTERS[randomInt(LETTERS.length)] ?? '').join('');
  await insertOpeningCode(pool(), codeHash(letters));
  return (letters.match(new RegExp(`.{${GROUP}}`, 'g')) ?? []).join('-');
}

/** Was this code printed by a start of the last days? */
export const isOpeningCode = (db: Queryable, code: string): Promise<boolean> => hasOpeningCode(db, codeHash(code));

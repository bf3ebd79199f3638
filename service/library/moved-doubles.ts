import type { MovedModel } from '../../core/moving-in/moved-model';
import type { MovedCustomer, MovedStock } from '../../core/moving-in/moved-row';
import { People } from '../../core/moving-in/people';
import { readListing } from '../../core/reading/listing/listing';
import { listKnownMachines, type MovingCustomer } from '../../store/library/moving-in';
import { findSameModel } from '../../store/library/same-models';
import { listOwnStock } from '../../store/market/own-stock';
import { listPieces, serialKnown } from '../../store/market/shelf';
import type { Queryable } from '../../store/queryable';
import { newStockTitle } from '../market/own-stock';
import { pieceTitle } from '../market/shelf';

/** A row that is left out, and why. */
export interface LeftOut {
  line: number;
  sentence: string;
}

/** Rows that are new, and those of what is there already. */
export interface Sorted<T> {
  fresh: T[];
  doubles: LeftOut[];
}

/** Customers with machines that the shop does not have yet, each row with whose it is. */
export async function sortCustomers(db: Queryable, rows: readonly MovedCustomer[]): Promise<Sorted<MovingCustomer>> {
  const people = new People();
  for (const known of await listKnownMachines(db)) {
    people.learn(known.customerId, known);
    people.notedMachine(known.customerId, known);
  }
  const sorted: Sorted<MovingCustomer> = { fresh: [], doubles: [] };
  // Those that the file brings are numbered below 0, so that they are none of the shop's.
  let next = -1;
  for (const row of rows) {
    const person = people.find(row) ?? next--;
    people.learn(person, row);
    if (people.notedMachine(person, row))
      sorted.doubles.push({
        line: row.line,
        sentence: `${row.name || 'this customer'} with this machine is there already`,
      });
    else sorted.fresh.push({ ...row, person, knownId: person > 0 ? person : null });
  }
  return sorted;
}

/** How used modules of a former program come: nobody has tested them here. */
export const AS_USED = { test: 'untested', grade: 'B' } as const;

/** What modules are called where they lie, as stock and used parts are listed. */
function lyingText({ label, module, used, place }: MovedStock): string {
  const { maker } = readListing(label).module;
  return `${used ? pieceTitle(maker, module, AS_USED) : newStockTitle(maker, module)} in ${place}`;
}

/** Modules that do not lie in stock already, nor twice in the file. */
export async function sortStock(db: Queryable, rows: readonly MovedStock[]): Promise<Sorted<MovedStock>> {
  const stock = (await listOwnStock(db)).map(({ title, place }) => `${title} in ${place}`);
  const pieces = (await listPieces(db)).map(({ title, note }) => `${title} in ${note}`);
  const here = new Set([...stock, ...pieces]);
  const serials = new Set<string>();
  const sorted: Sorted<MovedStock> = { fresh: [], doubles: [] };
  for (const row of rows) {
    const { line, serial, used } = row;
    const text = lyingText(row);
    // Used ones are told apart by their serials, and where they have none by what is said of them.
    const isDouble = used && serial !== '' ? serials.has(serial) || (await serialKnown(db, serial)) : here.has(text);
    if (isDouble) sorted.doubles.push({ line, sentence: `${row.label} is in stock already` });
    else sorted.fresh.push(row);
    if (serial !== '') serials.add(serial);
    here.add(text);
  }
  return sorted;
}

/** Models that the library does not have yet. */
export async function sortModels(db: Queryable, rows: readonly MovedModel[]): Promise<Sorted<MovedModel>> {
  const seen = new Set<string>();
  const sorted: Sorted<MovedModel> = { fresh: [], doubles: [] };
  for (const row of rows) {
    const key = `${row.maker} ${row.name} ${row.yearFrom}`.toLowerCase();
    if (seen.has(key) || (await findSameModel(db, row)) !== null)
      sorted.doubles.push({ line: row.line, sentence: `the library has the ${row.maker} ${row.name} already` });
    else sorted.fresh.push(row);
    seen.add(key);
  }
  return sorted;
}

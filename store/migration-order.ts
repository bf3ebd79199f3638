export interface Migration {
  number: number;
  name: string;
  sql: string;
}

/** A migration as the ledger remembers it. */
export interface AppliedMigration {
  number: number;
  name: string;
  sha256: string;
}

const FILE = /^(\d{4})_([a-z0-9_]+)\.sql$/;

/**
 * Number and name of a migration file.
 *
 * @throws Error where the name is none of a migration
 */
export function parseFileName(file: string): { number: number; name: string } {
  const found = FILE.exec(file);
  if (found === null) throw new Error(`${file}: a migration is called NNNN_name.sql`);
  return { number: Number(found[1]), name: found[2] ?? '' };
}

/**
 * The migrations that are still to be applied, in order.
 *
 * @throws Error where numbers have gaps, the database is newer than the files, or an applied file was changed
 */
export function pending(
  files: readonly (Migration & { sha256: string })[],
  applied: readonly AppliedMigration[],
): Migration[] {
  files.forEach((file, index) => {
    if (file.number !== index + 1)
      throw new Error(`migration ${index + 1} is missing: found ${file.number}_${file.name}`);
  });
  for (const past of applied) {
    const file = files[past.number - 1];
    if (file === undefined) {
      throw new Error(`the database has migration ${past.number} (${past.name}) that this version does not know`);
    }
    if (file.sha256 !== past.sha256)
      throw new Error(`migration ${past.number} (${past.name}) was changed after it ran`);
  }
  return files.slice(applied.length);
}

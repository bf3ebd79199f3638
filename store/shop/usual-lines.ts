import type { UsualLine } from '../../core/quoting/usual-line';
import { many, run } from '../database';
import type { Queryable } from '../queryable';

/** The shop's usual lines, in their order. */
export async function listUsualLines(db: Queryable): Promise<UsualLine[]> {
  return many<UsualLine & Record<string, unknown>>(
    db,
    'select texts, cents, tax_bp as "taxBp" from usual_line order by position, id',
    [],
  );
}

/** Puts these lines in place of the shop's. */
export async function replaceUsualLines(db: Queryable, lines: readonly UsualLine[]): Promise<void> {
  await run(db, 'delete from usual_line', []);
  await run(
    db,
    `insert into usual_line (position, texts, cents, tax_bp)
     select nr, line -> 'texts', (line ->> 'cents')::integer, (line ->> 'taxBp')::integer
     from jsonb_array_elements($1::jsonb) with ordinality as given(line, nr)`,
    [JSON.stringify(lines)],
  );
}

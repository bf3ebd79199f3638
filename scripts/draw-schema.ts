import { many } from '../store/database';
import type { Queryable } from '../store/queryable';

interface Column {
  tableName: string;
  name: string;
  type: string;
  isKey: boolean;
  isForeign: boolean;
}

const COLUMNS = `select class.relname as "tableName", attname as name, format_type(atttypid, null) as type,
    exists (select from pg_constraint where conrelid = class.oid and contype = 'p' and attnum = any(conkey)) as "isKey",
    exists (select from pg_constraint where conrelid = class.oid and contype = 'f' and attnum = any(conkey)) as "isForeign"
  from pg_class as class join pg_attribute on attrelid = class.oid and attnum > 0 and not attisdropped
  where relnamespace = 'public'::regnamespace and relkind in ('r', 'p') and not relispartition
  order by class.relname, attnum`;

const REFERENCES = `select distinct child.relname as child, parent.relname as parent
  from pg_constraint join pg_class as child on child.oid = conrelid join pg_class as parent on parent.oid = confrelid
  where contype = 'f' and child.relnamespace = 'public'::regnamespace and not child.relispartition
  order by child.relname, parent.relname`;

/** A type as a diagram can hold it: one word. */
const word = (type: string): string => type.replace('timestamp with time zone', 'timestamptz').replaceAll(/\W+/g, '_');

/** The schema of a migrated database as Mermaid draws it (an entity-relationship diagram): every table, and what refers to what. */
export async function drawSchema(db: Queryable): Promise<string> {
  const columns = await many<Column & Record<string, unknown>>(db, COLUMNS);
  const references = await many<{ child: string; parent: string }>(db, REFERENCES);
  const tables = [...new Set(columns.map(({ tableName }) => tableName))].map((table) => {
    const own = columns.filter(({ tableName }) => tableName === table);
    const lines = own.map(({ name, type, isKey, isForeign }) => {
      const keys = [...(isKey ? ['PK'] : []), ...(isForeign ? ['FK'] : [])].join(', ');
      return `    ${word(type)} ${name}${keys === '' ? '' : ` ${keys}`}`;
    });
    return `  ${table} {\n${lines.join('\n')}\n  }`;
  });
  const arrows = references.map(({ child, parent }) => `  ${parent} ||--o{ ${child} : ""`);
  return `# The schema

Drawn by \`npm run schema\` from a migrated database; a test checks that it is current. PK: part of the primary key; FK: refers to another
table.

\`\`\`mermaid
erDiagram
${[...tables, ...arrows].join('\n')}
\`\`\`
`;
}

import type pg from 'pg';
/** A statement that each connection plans once and then knows by its name. */
export interface Named {
  name: string;
  text: string;
}

/** Something that runs one statement: the pool, or a client within a transaction. */
export interface Queryable {
  query<Row extends pg.QueryResultRow>(what: string | Named, values?: readonly unknown[]): Promise<pg.QueryResult<Row>>;
}

import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { closePool, pool } from '../store/database';
import { type TestDatabase, testDatabase } from '../testing/database';
import { drawSchema } from './draw-schema';

let database: TestDatabase;

beforeAll(async () => {
  database = await testDatabase();
  process.env.DATABASE_URL = database.url;
});
afterAll(async () => {
  await closePool();
  await database.drop();
});

it('is drawn as the migrations have made it', async () => {
  expect(readFileSync(join(__dirname, '..', 'docs', 'schema.md'), 'utf8')).toBe(await drawSchema(pool()));
});

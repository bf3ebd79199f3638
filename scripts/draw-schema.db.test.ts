import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pool } from '../store/database';
import { openDatabase } from '../testing/database';
import { drawSchema } from './draw-schema';

openDatabase();

it('is drawn as the migrations have made it', async () => {
  expect(readFileSync(join(__dirname, '..', 'docs', 'schema.md'), 'utf8')).toBe(await drawSchema(pool()));
});

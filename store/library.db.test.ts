import { modelSchema } from '../core/machine/models/model';
import { type TestDatabase, testDatabase } from '../testing/database';
import { closePool, many, one, pool, run } from './database';
import { EARLIER_JOBS } from './job/earlier-jobs';
import { FIND, findModels, searchWordsOf } from './library/find-models';
import { LIKELY_TWINS } from './library/same-models';
import { listTrials, TRIALS } from './library/trials';
import { insertModel, readModel, replaceModel, WHOLE_MODELS } from './library/whole-models';

let database: TestDatabase;
const MODELS = 3000;
const JOBS = 5000;

beforeAll(async () => {
  database = await testDatabase();
  process.env.DATABASE_URL = database.url;
  await run(
    pool(),
    `insert into model (maker, name, year_from, model_ids, board_ids, cpus)
     select 'Maker ' || at % 40, 'Family' || at % 300 || ' ' || at, 2000 + at % 20, array['ID-' || at * 7],
       array['B-' || at], jsonb_build_array(jsonb_build_object('name', 'Cpu ' || at % 900))
     from generate_series(1, ${MODELS}) as at`,
  );
  await run(
    pool(),
    `insert into customer (name, phone, email)
     select md5(at::text), '0555 ' || at, 'c' || at || '@x.example' from generate_series(1, ${JOBS}) as at`,
  );
  await run(
    pool(),
    `insert into job (customer_id, serial) select id, 'SN-' || id from customer where email like 'c%@x.example'`,
  );
  await run(
    pool(),
    `insert into model_slot (model_id, position, name, channel, bank) select id, 1, 'A1', 'A', 1 from model`,
  );
  await run(
    pool(),
    `insert into claim (model_id, limit_name, value, source_kind, source_name)
     select id, 'totalMiB', '8192', 'maker-page', 'page' from model`,
  );
  for (const name of ['edda', 'teo']) {
    await run(pool(), `insert into staff (sign_in, name, role, password_hash) values ($1, $1, 'technician', 'x')`, [
      name,
    ]);
  }
  await pool().query('vacuum analyze');
}, 120_000);

afterAll(async () => {
  await closePool();
  await database.drop();
});

/** The plan of a statement with its values written in. */
async function planOf(sql: string, values: readonly string[]): Promise<string> {
  const text = values.reduceRight((written, value, at) => written.replaceAll(`$${at + 1}`, value), sql);
  const rows = await many<{ 'QUERY PLAN': string }>(pool(), `explain ${text}`);
  return rows.map((row) => row['QUERY PLAN']).join('\n');
}

describe('queries at size use their indexes', () => {
  it('finding models', async () => {
    const plan = await planOf(FIND, ["array['tarnhlt', 'id77', '2004']", '8', '300', '3000', '5']);
    for (const index of ['word_name_trigrams', 'word_identifier_trigrams', 'word_word_key', 'model_word_pkey']) {
      expect(plan).toContain(index);
    }
  });

  it('jobs of before', async () => {
    const plan = await planOf(EARLIER_JOBS, ['7', "'SN-7'", "'05557'", "'c7@x.example'", "'edda quill'", '0', 'null']);
    for (const index of [
      'job_by_serial',
      'job_by_customer',
      'customer_by_phone',
      'customer_by_email',
      'customer_name_trigrams',
    ]) {
      expect(plan).toContain(index);
    }
    expect(plan).not.toMatch(/Seq Scan on (job|customer)\b/);
  });

  it('trials in a model and its sisters', async () => {
    const plan = await planOf(TRIALS, ['7']);
    expect(plan).toContain('model_board_keys');
    expect(plan).toContain('model_cpu_keys');
    expect(plan).not.toContain('Seq Scan on model ');
  });

  it('a model whole', async () => {
    expect(await planOf(WHOLE_MODELS, ['array[7, 8]', 'true'])).not.toMatch(/Seq Scan on (model|claim|model_slot)\b/);
  });

  it('likely twins compare keys, not pairs', async () => {
    expect(await planOf(LIKELY_TWINS, [])).toMatch(/Hash Join|Merge Join/);
  });
});

describe('words of a model', () => {
  const words = async (id: number) =>
    (
      await many<{ word: string; models: number }>(
        pool(),
        'select word, models from model_word join word on word.id = word_id where model_id = $1 order by word',
        [id],
      )
    ).map(({ word }) => word);

  it('follow it as it changes, and go with it', async () => {
    const model = modelSchema.parse({ maker: 'Zelgrave', name: 'Quern 5', yearFrom: 2019, modelIds: ['ZQ-55'] });
    const id = await insertModel(pool(), model);
    expect(await words(id)).toEqual(['2019', '5', '55', 'quern', 'zelgrave', 'zq', 'zq55']);
    const staff = await one<{ id: number }>(pool(), 'select id from staff order by id limit 1');
    await replaceModel(pool(), id, { ...model, name: 'Quill 5' }, staff.id);
    expect(await words(id)).not.toContain('quern');
    expect((await findModels(pool(), 'zelgrve quil', 3))[0]?.id).toBe(id);
    await run(pool(), 'delete from model where id = $1', [id]);
    const [left] = await many<{ models: number }>(pool(), "select models from word where word = 'zelgrave'");
    expect(left?.models).toBe(0);
    expect(await findModels(pool(), 'zelgrave', 3)).toEqual([]);
  });

  it('are told as they are typed, glued ones apart too', () => {
    expect(searchWordsOf('  Tarnholt, COUNTER-4; counter4  ')).toEqual(['tarnholt', 'counter', '4', 'counter4']);
    expect(searchWordsOf('counter4')).toEqual(['counter4', 'counter', '4']);
    expect(searchWordsOf(' .,; ')).toEqual([]);
    expect(searchWordsOf('a b c d e f g h i j k l m n')).toHaveLength(12);
  });
});

describe('a model written again', () => {
  it('keeps who entered a claim that stays just so, and every trial', async () => {
    const staff = await one<{ id: number }>(pool(), 'select id from staff order by id limit 1');
    const model = modelSchema.parse({
      maker: 'Zelgrave',
      name: 'Rook',
      yearFrom: 2019,
      claims: [{ limit: 'totalMiB', value: 8192, source: { kind: 'maker-page', name: 'page', on: '2024-05-01' } }],
      trials: [
        {
          moduleMiB: 4096,
          generation: 'DDR4',
          modules: 2,
          totalMiB: 8192,
          outcome: 'works',
          depth: 'weeks',
          on: '2024-05-02',
        },
      ],
    });
    const id = await insertModel(pool(), model, staff.id);
    const second = await one<{ id: number }>(pool(), 'select id from staff order by id desc limit 1');
    const read = await readModel(pool(), id);
    await replaceModel(pool(), id, modelSchema.parse({ ...read, note: 'x' }), second.id);
    const claim = await one<{ by: number }>(pool(), 'select entered_by as by from claim where model_id = $1', [id]);
    expect(claim.by).toBe(staff.id);
    expect(await listTrials(pool(), id)).toHaveLength(1);
    await replaceModel(pool(), id, { ...model, claims: [] }, second.id);
    expect((await readModel(pool(), id))?.claims).toEqual([]);
  });
});

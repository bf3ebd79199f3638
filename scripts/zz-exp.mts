import { openCluster } from './cluster';
import { migrate } from '../store/migrate';
import { ROOT } from './setup.mjs';
import { join } from 'node:path';
import { pool, closePool, transaction } from '../store/database';
import { mkdirSync, chmodSync, readFileSync } from 'node:fs';
import { openShop } from '../service/open-shop';
import { takeList, lookAtWork } from '../service/price-lists';
import { priceListPieces } from '../bench/price-list';
mkdirSync('/tmp/exp/c',{recursive:true}); chmodSync('/tmp/exp',0o777);
const cluster = await openCluster('/tmp/exp/c', ['shared_buffers=512MB','max_wal_size=8GB']);
process.env.DATABASE_URL = cluster.url;
await migrate(cluster.url, join(ROOT,'store','migrations'));
await openShop({ name: 'Bench', town: 'Skerrow', contact: '', currency: 'EUR', timeZone: 'UTC', taxBp: 2000, labourCents: 0, owner: { name: 'Bench', signIn: 'bench', password: 'bench-bench' } } as any);
let [{id}={id:0}] = (await pool().query("insert into seller(name,lead_days) values ('X',1) on conflict (name) do update set lead_days=1 returning id")).rows;
let lists = (await pool().query('select id from price_list')).rows;
if (lists.length === 0) {
  async function* p(){ yield* priceListPieces({rows:100000,kind:'structured'}); }
  const t = await takeList({id:1} as any, id, { name:'a.csv', input: p() });
  for(;;){ const l = await lookAtWork((t as any).value.id); if ((l as any).value.state==='looked-at') break; await new Promise(r=>setTimeout(r,100)); }
}
const src = readFileSync('store/list-changes.ts','utf8');
const { ADD } = await import('../store/list-changes') as any;
await transaction(async (db) => {
  for (const pre of (process.argv[2]??'').split(';').filter(Boolean)) await db.query(pre);
  for (let i=0;i<2;i++) {
  const r = await db.query('explain (analyze, costs off, timing off) ' + ADD, [1, i*50000, (i+1)*50000, [], [], [], 'a.csv', new Date().toISOString(), id]);
  console.log((r.rows as any[]).map(x=>x['QUERY PLAN']).join('\n')); }
  throw new Error('rollback');
}).catch((e)=>{ if(e.message!=='rollback') console.log(e.message); });
await closePool(); cluster.stop();

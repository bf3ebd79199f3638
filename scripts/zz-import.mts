import pg from 'pg';
const q = pg.Client.prototype.query as any;
(pg.Client.prototype as any).query = function (...a: any[]) { const t = performance.now(); const r = q.apply(this, a); const text = typeof a[0] === 'string' ? a[0] : ''; if (r && r.then) r.then(() => { const d = performance.now() - t; if (d > 400) console.log('   ', d.toFixed(0), text.trim().slice(0, 90).replace(/\s+/g, ' ')); }, () => {}); return r; };
await import('../bench/import');

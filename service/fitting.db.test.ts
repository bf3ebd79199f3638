import { reportText } from '../demo/report';
import {
  as,
  choose,
  must,
  openTestShop,
  readTill,
  seen,
  stateOf,
  TILL_REPORT,
  thirdParty16,
} from '../scripts/test-shop';
import { textInput } from '../scripts/text-input';
import { many, one, pool } from '../store/database';
import { acceptSpoken, noteFellThrough } from './accept';
import type { Caller } from './access';
import { beginFitting, keepBeep, searchFault, tickStep } from './fitting';
import { saveSlots, takeReadings } from './intake';
import { whyNoLongerFits } from './job-work';
import { changeOrder, claimOf, orderTable, orderXml, placeOrder, showOrders } from './orders';
import { confirmProof, followUp, settleOldModule, signTheProof, takeProof, typeProof } from './proof';
import { proofOfJob } from './proof-sheet';
import { sendQuote } from './quote';
import { renewQuote } from './renew-quote';
import { putOnShelf } from './shelf';

const shop = openTestShop();
const GB = 1024;

/** A till of its own serial, its quote sent. */
async function sentTill(caller: Caller, fits = thirdParty16): Promise<number> {
  const id = await readTill(caller);
  await choose(caller, id, 1, fits);
  must(await sendQuote(caller, id, { seen: await seen(id) }));
  return id;
}

async function acceptedTill(caller: Caller, fits = thirdParty16): Promise<number> {
  const id = await sentTill(caller, fits);
  const [option] = (await stateOf(id)).sent[0]?.snapshot.options ?? [];
  must(await acceptSpoken(caller, id, { place: 1, signed: 'Hedda Vane', ticked: option?.statements ?? [] }));
  return id;
}

const workOf = async (id: number) => (await stateOf(id)).work;

/** Orders all that a job wants, of each of its sellers. */
async function orderAll(caller: Caller, id: number): Promise<number[]> {
  const { wanted } = await workOf(id);
  const orders: number[] = [];
  for (const seller of new Set(wanted.map(({ sellerId }) => sellerId))) {
    const parts = wanted
      .filter(({ sellerId }) => sellerId === seller)
      .map(({ offerId, quantity }) => ({ job: id, offer: offerId, quantity }));
    orders.push(must(await placeOrder(caller, { seller, parts, note: '' })).id);
  }
  return orders;
}

async function fitted(caller: Caller, id: number): Promise<void> {
  const { id: fitting } = must(await beginFitting(caller, id));
  for (const { key } of (await workOf(id)).fittings[0]?.steps ?? []) {
    must(await tickStep(caller, id, fitting, { what: 'done', step: key }));
  }
}

/** What the till says with its option fitted, or with something else in its slots. */
async function fittedReport(id: number, change: { serial?: string; rate?: number; drop?: string } = {}) {
  const { accepted } = await workOf(id);
  if (accepted === null) throw new Error('nothing is accepted');
  const { after, rateMTs } = accepted.option;
  return textInput(
    'report after fitting',
    reportText({
      ...{ maker: 'Tarnholt', product: 'tc4-1900', serial: change.serial ?? 'S-1', cpu: 'Merle 4300', maxGb: 64 },
      devices: after.map(({ slot, capacityMiB }) => ({
        locator: slot,
        mb: slot === change.drop ? null : capacityMiB,
        rate: change.rate ?? rateMTs,
        ranks: 1,
      })),
    }),
  );
}

describe('a yes that is said at the counter', () => {
  it('needs every statement agreed to, is taken once, and holds', async () => {
    const id = await sentTill(shop.teo);
    expect(await acceptSpoken(shop.teo, id, { place: 2, signed: 'Hedda Vane', ticked: [] })).toMatchObject({
      code: 'bad-input',
    });
    must(await acceptSpoken(shop.teo, id, { place: 1, signed: 'Hedda Vane', ticked: [] }));
    expect(await acceptSpoken(shop.teo, id, { place: 1, signed: 'Hedda Vane', ticked: [] })).toMatchObject({
      code: 'conflict',
    });
    expect((await workOf(id)).accepted).toMatchObject({ signed: 'Hedda Vane', option: { place: 1 } });
    const photo = await acceptSpoken(shop.teo, 5, { place: 1, signed: 'Lisbet', ticked: [] });
    expect(photo).toMatchObject({ code: 'bad-input' });
  });

  it('sets pieces of the shelf aside for good, and frees them when the job comes to nothing', async () => {
    const piece = {
      label: 'used 8 GB DDR4-2400 CL17 1Rx8 DIMM',
      serial: '',
      test: 'tested' as const,
      grade: 'A' as const,
    };
    const put = async () =>
      must(await putOnShelf(shop.teo, { ...piece, note: '', originJobId: null, worthCents: 300 })).id;
    const pieces = [await put(), await put()];
    const id = await sentTill(shop.teo, ({ lane, totalMiB }) => lane === 'used' && totalMiB === 16 * GB);
    const held = async () =>
      many<{ job: number | null; aside: boolean; until: string | null }>(
        pool(),
        `select job_id as job, set_aside_at is not null as aside, held_until::text as until from shelf_piece
         where id = any($1) and job_id is not null`,
        [pieces],
      );
    expect(await held()).toMatchObject([{ job: id, aside: false }]);
    must(await acceptSpoken(shop.teo, id, { place: 1, signed: 'Hedda Vane', ticked: [] }));
    await pool().query(
      'update shelf_piece set held_until = current_date - 9 where id = any($1) and job_id is not null',
      [pieces],
    );
    expect(await held()).toMatchObject([{ job: id, aside: true }]);
    const stock = async () =>
      (
        await one<{ sum: number }>(
          pool(),
          'select sum(stock)::int as sum from offer join shelf_piece on offer_id = offer.id where shelf_piece.id = any($1)',
          [pieces],
        )
      ).sum;
    const before = await stock();
    expect((await workOf(id)).wanted).toEqual([]);
    must(await noteFellThrough(shop.teo, id, { why: 'the till was sold' }));
    expect(await held()).toEqual([]);
    expect(await stock()).toBe(before + 1);
    must(await noteFellThrough(shop.teo, id, { why: null }));
    expect(await held()).toMatchObject([{ job: id, aside: true }]);
    // A new version promises the same piece again: it is this job's own.
    must(await renewQuote(shop.teo, id));
    must(await sendQuote(shop.teo, id, { seen: await seen(id) }));
    expect(await held()).toMatchObject([{ job: id, aside: false }]);
  });
});

describe('parts', () => {
  it('are wanted over all jobs by seller, ordered once, and what was dead is wanted again', async () => {
    const [a, b] = [await acceptedTill(shop.teo), await acceptedTill(shop.teo)];
    const { baskets } = await showOrders();
    const basket = baskets.find(({ parts }) => parts.some(({ jobId }) => jobId === a));
    expect(basket?.parts.filter(({ jobId }) => jobId === a || jobId === b)).toHaveLength(2);
    const [order] = await orderAll(shop.teo, a);
    expect((await workOf(a)).wanted).toEqual([]);
    const [line] = (await workOf(a)).orders[0]?.lines ?? [];
    if (order === undefined || line === undefined) throw new Error('nothing was ordered');
    const news = (what: 'arrived' | 'dead' | 'never', quantity = 1) =>
      changeOrder(shop.teo, order, { what, line: line.id, quantity, note: 'beeps twice' });
    must(await news('arrived'));
    expect(await news('arrived')).toMatchObject({ code: 'conflict' });
    must(await news('dead'));
    expect((await workOf(a)).wanted).toMatchObject([{ offerId: line.offerId, quantity: 1 }]);
    expect(await claimOf(order, line.id)).toMatchObject({ faults: [{ kind: 'dead', note: 'beeps twice' }] });
    must(await changeOrder(shop.teo, order, { what: 'take-back', line: line.id }));
    expect((await workOf(a)).wanted).toEqual([]);
    expect(await changeOrder(shop.teo, order, { what: 'cancel' })).toMatchObject({ code: 'conflict' });
  });

  it('one that cannot be had any more leads back to the quote: it is sold out, and is taken anew with the next best', async () => {
    const id = await acceptedTill(shop.teo);
    const [order] = await orderAll(shop.teo, id);
    const [line] = (await workOf(id)).orders[0]?.lines ?? [];
    if (order === undefined || line === undefined) throw new Error('nothing was ordered');
    expect((await stateOf(id)).drifts).toEqual([]);
    must(await changeOrder(shop.teo, order, { what: 'never', line: line.id, quantity: 1, note: '' }));
    expect((await stateOf(id)).drifts).not.toEqual([]);
    const renewed = must(await renewQuote(shop.teo, id));
    expect(renewed.equal).toEqual([1]);
    must(await changeOrder(shop.teo, order, { what: 'take-back', line: line.id }));
    expect((await stateOf(id)).drifts).toEqual([]);
  });

  it('are not ordered twice by two who order at once', async () => {
    const id = await acceptedTill(shop.teo);
    const { wanted } = await workOf(id);
    const [part] = wanted;
    if (part === undefined) throw new Error('nothing is wanted');
    const parts = [{ job: id, offer: part.offerId, quantity: part.quantity }];
    const both = await Promise.all([1, 2].map(() => placeOrder(shop.teo, { seller: part.sellerId, parts, note: '' })));
    expect(both.map(({ ok }) => ok).sort()).toEqual([false, true]);
  });

  it('an order leaves as a table and as UBL, without customers and what is charged; taken back it is wanted again', async () => {
    const id = await acceptedTill(shop.teo);
    const [order] = await orderAll(shop.teo, id);
    const csv = (await orderTable(order ?? 0))?.bytes.toString() ?? '';
    const xml = (await orderXml(order ?? 0))?.bytes.toString() ?? '';
    expect(csv.split('\r\n')).toHaveLength(4);
    expect(xml).toContain('urn:oasis:names:specification:ubl:schema:xsd:Order-2');
    for (const text of [csv, xml]) {
      expect(text).toContain(`job ${id}`);
      expect(text).not.toContain('Hedda');
    }
    must(await changeOrder(shop.teo, order ?? 0, { what: 'cancel' }));
    expect((await workOf(id)).wanted).not.toEqual([]);
  });
});

describe('the work on the bench', () => {
  it('begins once, however many tablets begin it, and each step is ticked by whoever was first', async () => {
    const id = await acceptedTill(shop.teo);
    const runa = await as('runa');
    const begun = await Promise.all([beginFitting(shop.teo, id), beginFitting(runa, id)]);
    const ids = begun.map((result) => must(result).id);
    expect(new Set(ids).size).toBe(1);
    const fitting = ids[0] ?? 0;
    const tick = (caller: Caller) => tickStep(caller, id, fitting, { what: 'done', step: 'safe.off' });
    const ticked = await Promise.all([tick(shop.teo), tick(runa), tick(shop.teo)]);
    expect(ticked.every(({ ok }) => ok)).toBe(true);
    expect((await workOf(id)).fittings[0]?.ticks).toHaveLength(1);
    must(await tickStep(runa, id, fitting, { what: 'undo', step: 'safe.off' }));
    must(await tickStep(runa, id, fitting, { what: 'skip', step: 'safe.off', reason: 'it is off' }));
    expect((await workOf(id)).fittings[0]?.ticks).toMatchObject([{ state: 'skipped', reason: 'it is off' }]);
    expect(await tickStep(runa, id, fitting, { what: 'done', step: 'no.such' })).toMatchObject({ code: 'not-found' });
    const kept = await many(pool(), 'select undone_by from fitting_tick where fitting_id = $1', [fitting]);
    expect(kept).toHaveLength(2);
  });

  it('what is found different is kept on its step; a quote that no longer holds is said at once', async () => {
    const id = await acceptedTill(shop.teo, (plan) => thirdParty16(plan) && plan.reuse === 'add');
    const { id: fitting } = must(await beginFitting(shop.teo, id));
    must(
      await tickStep(shop.teo, id, fitting, { what: 'find', step: 'open.1', kind: 'damage', note: 'a stripped screw' }),
    );
    expect((await workOf(id)).fittings[0]?.finds).toMatchObject([{ kind: 'damage', note: 'a stripped screw' }]);
    expect(whyNoLongerFits(await stateOf(id))).toBeNull();
    const { slots, job } = await stateOf(id);
    // Another module than read: of half the size, as the technician puts it right on the board.
    const other = slots.map((slot) =>
      slot.name === 'A2' && slot.module !== null ? { ...slot, module: { ...slot.module, capacityMiB: 4 * GB } } : slot,
    );
    must(await saveSlots(shop.teo, id, { version: job.slotsVersion, slots: other }));
    expect(whyNoLongerFits(await stateOf(id))).toContain('another total');
    const emptied = slots.map((slot) => (slot.name === 'A2' ? { ...slot, module: null } : slot));
    must(await saveSlots(shop.teo, id, { version: (await stateOf(id)).job.slotsVersion, slots: emptied }));
    expect(whyNoLongerFits(await stateOf(id))).toContain('is not there any more');
  });

  it('a search narrows test by test, is one at a time, and a limit that is not true becomes evidence', async () => {
    const id = await acceptedTill(shop.teo);
    must(await beginFitting(shop.teo, id));
    const search = (input: Parameters<typeof searchFault>[2]) => searchFault(shop.teo, id, input);
    must(await search({ what: 'begin', sign: 'beeps', beeps: '2 long' }));
    expect(await search({ what: 'begin', sign: 'blank', beeps: '' })).toMatchObject({ code: 'conflict' });
    must(await search({ what: 'tested', test: 'labels', outcome: 'agree' }));
    expect(await search({ what: 'tested', test: 'labels', outcome: 'differ' })).toMatchObject({ code: 'conflict' });
    expect(await search({ what: 'tested', test: 'labels', outcome: 'none' })).toMatchObject({ code: 'bad-input' });
    must(await search({ what: 'tested', test: 'reseat', outcome: 'works' }));
    expect((await workOf(id)).searches).toMatchObject([{ ended: 'fixed' }]);
    must(await search({ what: 'reopen' }));
    must(await search({ what: 'undo' }));
    const { modelId } = (await stateOf(id)).job;
    const trials = async () => (await many(pool(), 'select id from trial where model_id = $1', [modelId])).length;
    const before = await trials();
    must(await search({ what: 'end', end: 'limit-untrue', about: 'two of 8 GB' }));
    expect(await trials()).toBe(before + 1);
    must(await keepBeep(shop.teo, { maker: 'Tarnholt', pattern: '2 long', means: 'no memory is seen' }));
    expect((await workOf(id)).beeps).toMatchObject([{ pattern: '2 long' }]);
  });
});

describe('the proof', () => {
  it('is held against the accepted option, signed once, and lets the model’s next job know', async () => {
    const id = await acceptedTill(shop.teo);
    expect((await takeProof(shop.teo, 1, textInput('x', TILL_REPORT))).ok).toBe(false);
    await fitted(shop.teo, id);
    expect(must(await takeProof(shop.teo, id, await fittedReport(id)))).toEqual({ held: true });
    const [proof] = (await workOf(id)).proofs;
    expect(proof).toMatchObject({ verdict: 'kept', signedOn: null });
    expect(await proofOfJob(id)).toBeNull();
    const sign = { proof: proof?.id ?? 0, remark: '', loadedMinutes: null };
    expect(await signTheProof(shop.teo, id, { ...sign, verdict: 'kept', depth: 'loaded' })).toMatchObject({
      code: 'bad-input',
    });
    expect(await signTheProof(shop.teo, id, { ...sign, verdict: 'remark', depth: 'total-read' })).toMatchObject({
      code: 'bad-input',
    });
    must(await signTheProof(shop.teo, id, { ...sign, verdict: 'kept', depth: 'loaded', loadedMinutes: 20 }));
    expect(await signTheProof(shop.teo, id, { ...sign, verdict: 'kept', depth: 'started' })).toMatchObject({
      code: 'conflict',
    });
    await expect(pool().query('update proof set remark = $2 where id = $1', [proof?.id, 'no'])).rejects.toThrow(
      /does not change/,
    );
    expect((await proofOfJob(id))?.bytes.subarray(0, 5).toString()).toBe('%PDF-');
    const next = await readTill(shop.teo);
    const proven = (await stateOf(next)).claims.find(({ limit }) => limit === 'provenTotalMiB');
    expect(proven?.value).toBeGreaterThanOrEqual(16 * GB);
    must(await followUp(shop.teo, id, { proof: proof?.id ?? 0, works: true, note: '' }));
    const [deep] = await many<{ depth: string }>(
      pool(),
      `select depth from trial where job_id = $1 and depth = 'weeks'`,
      [id],
    );
    expect(deep?.depth).toBe('weeks');
  });

  it('slower than promised is kept with a remark, a missing module is not kept, and nobody signs it better than it is', async () => {
    const id = await acceptedTill(shop.teo);
    await fitted(shop.teo, id);
    must(await takeProof(shop.teo, id, await fittedReport(id, { rate: 1866 })));
    expect((await workOf(id)).proofs[0]).toMatchObject({ verdict: 'remark' });
    const { accepted } = await workOf(id);
    const fresh = accepted?.option.after.find(({ fate }) => fate === 'new')?.slot ?? '';
    must(await takeProof(shop.teo, id, await fittedReport(id, { drop: fresh })));
    const [last] = (await workOf(id)).proofs;
    expect(last).toMatchObject({ verdict: 'broken' });
    const better = {
      proof: last?.id ?? 0,
      verdict: 'kept' as const,
      remark: '',
      depth: 'started' as const,
      loadedMinutes: null,
    };
    expect(await signTheProof(shop.teo, id, better)).toMatchObject({ code: 'conflict' });
    must(await signTheProof(shop.teo, id, { ...better, verdict: 'broken', remark: 'one is not seen' }));
    expect((await stateOf(id)).standings.proof).not.toBe('done');
  });

  it('a report of another machine, or of before, is kept apart until somebody says that it is this one’s', async () => {
    const id = await acceptedTill(shop.teo);
    const other = must(await takeProof(shop.teo, id, await fittedReport(id, { serial: 'S-99' })));
    expect(other).toMatchObject({ held: false });
    const before = must(await takeProof(shop.teo, id, textInput('again', TILL_REPORT)));
    expect(before.held === false && before.sentence).toContain('before the fitting');
    expect((await workOf(id)).proofs).toEqual([]);
    must(await confirmProof(shop.teo, id, { reading: other.held ? 0 : other.reading }));
    must(await confirmProof(shop.teo, id, { reading: other.held ? 0 : other.reading }));
    expect((await workOf(id)).proofs).toHaveLength(1);
    expect(await takeProof(shop.teo, id, textInput('x', 'rubbish'))).toMatchObject({ code: 'bad-input' });
    const { readings } = await stateOf(id);
    expect(readings).toHaveLength(1);
    must(await takeReadings(shop.teo, id, [textInput('pasted report', TILL_REPORT)]));
  });

  it('what is typed must be some set of its modules; the model’s share bounds what is usable', async () => {
    const id = await acceptedTill(shop.teo);
    const typed = (total: string, counts: 'installed' | 'usable') =>
      typeProof(shop.teo, id, { total, counts, rateMTs: null, channels: 2 });
    expect(await typed('much', 'usable')).toMatchObject({ code: 'bad-input' });
    expect(await typed('13 GB', 'installed')).toMatchObject({ code: 'bad-input' });
    must(await typed('15.6 GB', 'usable'));
    const [proof] = (await workOf(id)).proofs;
    expect(proof).toMatchObject({ verdict: 'kept', readingId: null });
    must(
      await signTheProof(shop.teo, id, {
        proof: proof?.id ?? 0,
        verdict: 'kept',
        remark: '',
        depth: 'total-read',
        loadedMinutes: null,
      }),
    );
    // The next of the model holds no more than this one did.
    const next = await acceptedTill(shop.teo);
    const less = { total: '15 GB', counts: 'usable' as const, rateMTs: null, channels: null };
    expect(await typeProof(shop.teo, next, less)).toMatchObject({ code: 'bad-input' });
    must(await typeProof(shop.teo, next, { ...less, total: '15.7 GB' }));
  });

  it('old modules go to one place each; one on the shelf knows where it came from', async () => {
    const id = await acceptedTill(
      shop.teo,
      ({ kept, lane, totalMiB }) => kept.length === 0 && lane === 'third-party' && totalMiB === 16 * GB,
    );
    must(await settleOldModule(shop.teo, id, { fate: 'returned', slot: 'A2' }));
    expect(await settleOldModule(shop.teo, id, { fate: 'scrapped', slot: 'A2' })).toMatchObject({ code: 'conflict' });
    must(await settleOldModule(shop.teo, id, { fate: 'undo', slot: 'A2' }));
    expect(await settleOldModule(shop.teo, id, { fate: 'scrapped', slot: 'B9' })).toMatchObject({ code: 'not-found' });
    const piece = {
      label: '8 GB DDR4-2400 CL17 1Rx8 DIMM',
      serial: `from-${id}`,
      test: 'tested' as const,
      grade: 'A' as const,
    };
    must(
      await settleOldModule(shop.teo, id, {
        fate: 'shelf',
        slot: 'A2',
        piece: { ...piece, note: '', worthCents: 500 },
      }),
    );
    const [put] = await many<{ origin: number; title: string; stock: number }>(
      pool(),
      `select origin_job_id as origin, title, stock from shelf_piece join offer on offer.id = offer_id where serial = $1`,
      [`from-${id}`],
    );
    expect(put).toMatchObject({ origin: id, stock: 1 });
  });
});

import { textInput } from '../../../scripts/text-input';
import { many, pool } from '../../../store/database';
import { acceptedTill, fitted, fittedReport, workOf } from '../../../testing/bench';
import { READER } from '../../../testing/reader';
import { must, openTestShop, readTill, stateOf, TILL_REPORT } from '../../../testing/shop';
import { beginFitting } from '../bench/fitting';
import { settleOldModule } from '../bench/old-modules';
import { counterJobs } from '../counter';
import { takeReadings } from '../intake/intake';
import { confirmProof, takeProof, typeProof } from './proof';
import { proofOfJob } from './proof-sheet';
import { followUp, signTheProof } from './sign-proof';

const shop = openTestShop();
const GB = 1024;

describe('the proof', () => {
  it('is held against the accepted option, signed once, and lets the model’s next job know', async () => {
    const id = await acceptedTill(shop.teo);
    expect((await takeProof(shop.teo, 1, textInput('x', TILL_REPORT))).ok).toBe(false);
    await fitted(shop.teo, id);
    expect(must(await takeProof(shop.teo, id, await fittedReport(id)))).toMatchObject({ held: true });
    const [proof] = (await workOf(id)).proofs;
    expect(proof).toMatchObject({ verdict: 'kept', signedOn: null });
    expect(await proofOfJob(READER, id)).toBeNull();
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
    expect((await proofOfJob(READER, id))?.bytes.subarray(0, 5).toString()).toBe('%PDF-');
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
    const remark = { verdict: 'remark' as const, remark: 'slower', depth: 'total-read' as const };
    const other = await acceptedTill(shop.teo);
    await fitted(shop.teo, other);
    must(await takeProof(shop.teo, other, await fittedReport(other, { rate: 1866 })));
    must(
      await signTheProof(shop.teo, other, {
        ...remark,
        proof: (await workOf(other)).proofs[0]?.id ?? 0,
        loadedMinutes: null,
      }),
    );
    // Evidence says what it ran at, not what was promised.
    const ran = await many<{ rate: number }>(pool(), 'select rate_mts as rate from trial where job_id = $1', [other]);
    expect(ran).toEqual([{ rate: 1866 }]);
    const { accepted } = await workOf(id);
    const fresh = accepted?.option.after.find(({ fate }) => fate === 'new')?.slot ?? '';
    // Without the new module it says what it said before: somebody says that it is from now.
    const taken = must(await takeProof(shop.teo, id, await fittedReport(id, { drop: fresh })));
    if (!taken.held) must(await confirmProof(shop.teo, id, { reading: taken.reading }));
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
    // Not kept: it is the bench's turn again, once, and the counter says so.
    expect((await stateOf(id)).standings).toMatchObject({ fitting: 'decide', proof: 'waits' });
    expect((await counterJobs(READER)).jobs.find((entry) => entry.id === id)?.standings).toMatchObject({
      fitting: 'decide',
      proof: 'waits',
    });
    const again = must(await beginFitting(shop.teo, id));
    expect(must(await beginFitting(shop.teo, id))).toEqual(again);
    expect((await workOf(id)).fittings.map(({ round }) => round)).toEqual([2, 1]);
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
      typeProof(shop.teo, id, { total, counts, rateMTs: null, channels: 2, sockets: {} });
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
    const less = { total: '15 GB', counts: 'usable' as const, rateMTs: null, channels: null, sockets: {} };
    expect(await typeProof(shop.teo, next, less)).toMatchObject({ code: 'bad-input' });
    must(await typeProof(shop.teo, next, { ...less, total: '15.7 GB' }));
    // Sockets that the screen shows tell of channels too, and cannot come to something else than its total.
    const { option } = (await workOf(next)).accepted ?? {};
    const shown = Object.fromEntries(
      (option?.after ?? []).map(({ slot, capacityMiB }) => [
        slot,
        capacityMiB === null ? 'empty' : `${capacityMiB} MB`,
      ]),
    );
    const [filled = ''] = Object.keys(shown).filter((slot) => shown[slot] !== 'empty');
    const by = (sockets: Record<string, string>) => ({ ...less, total: '15.7 GB', sockets });
    expect(await typeProof(shop.teo, next, by({ ...shown, [filled]: '32 GB' }))).toMatchObject({ code: 'bad-input' });
    expect(await typeProof(shop.teo, next, by({ [filled]: 'large' }))).toMatchObject({ code: 'bad-input' });
    must(await typeProof(shop.teo, next, by(shown)));
    const told = (await workOf(next)).proofs[0]?.findings ?? [];
    expect(told.filter(({ kind }) => kind === 'slot').every(({ verdict }) => verdict === 'kept')).toBe(true);
    expect(told.find(({ kind }) => kind === 'channels')?.verdict).toBe('kept');
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

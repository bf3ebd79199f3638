import { many, pool } from '../../../store/database';
import { acceptedTill, workOf } from '../../../testing/bench';
import { as, must, openTestShop, stateOf, thirdParty16 } from '../../../testing/shop';
import type { Caller, Right } from '../../staff/access';
import { saveSlots } from '../intake/intake';
import { beginFitting, keepBeep, searchFault, tickStep } from './fitting';
import { whyNoLongerFits } from './job-work';

const shop = openTestShop();
const GB = 1024;

describe('the work on the bench', () => {
  it('begins once, however many tablets begin it, and each step is ticked by the person who was first', async () => {
    const id = await acceptedTill(shop.teo);
    const runa = await as('runa');
    const begun = await Promise.all([beginFitting(shop.teo, id), beginFitting(runa, id)]);
    const ids = begun.map((result) => must(result).id);
    expect(new Set(ids).size).toBe(1);
    const fitting = ids[0] ?? 0;
    const tick = (caller: Caller<Right>) => tickStep(caller, id, fitting, { what: 'done', step: 'safe.off' });
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
    expect(whyNoLongerFits(await stateOf(id))).toContain('The total would now be different');
    const emptied = slots.map((slot) => (slot.name === 'A2' ? { ...slot, module: null } : slot));
    must(await saveSlots(shop.teo, id, { version: (await stateOf(id)).job.slotsVersion, slots: emptied }));
    expect(whyNoLongerFits(await stateOf(id))).toContain('is no longer there');
  });

  it('what was found on a step is told on the next job of the model, and no more once it is taken back', async () => {
    const first = await acceptedTill(shop.teo);
    const { id: fitting } = must(await beginFitting(shop.teo, first));
    const find = { what: 'find', step: 'open.1' } as const;
    const note = 'a fourth screw lies under the label';
    must(await tickStep(shop.teo, first, fitting, { ...find, kind: 'other', note }));
    // Another module is of that machine, not of the model.
    must(await tickStep(shop.teo, first, fitting, { ...find, kind: 'other-module', note: '4 GB, not 8' }));
    const next = await acceptedTill(shop.teo);
    const notes = async (job: number) => (await workOf(job)).foundBefore.map((one) => one.note);
    expect((await workOf(next)).foundBefore).toContainEqual(
      expect.objectContaining({ jobId: first, step: 'open.1', kind: 'other', note }),
    );
    expect(await notes(next)).not.toContain('4 GB, not 8');
    expect(await notes(first)).not.toContain(note);
    const found = (await workOf(first)).fittings[0]?.finds.find((one) => one.note === note);
    must(await tickStep(shop.teo, first, fitting, { what: 'unfind', step: 'open.1', id: found?.id ?? 0 }));
    expect(await notes(next)).not.toContain(note);
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

import { textInput } from '../../scripts/text-input';
import { many, pool, run } from '../../store/database';
import { listCounterJobs } from '../../store/job/counter-jobs';
import { listGroups } from '../../store/job/groups';
import { workOf } from '../../testing/bench';
import { READER } from '../../testing/reader';
import { choose, must, openTestShop, plansOf, stateOf } from '../../testing/shop';
import { asInputs, FIVE, SEVEN, tillReport, twelveReports } from '../../testing/twelve';
import { beginFitting, tickStep } from './bench/fitting';
import { isFitted, isProved } from './bench/job-work';
import { settleOldModule } from './bench/old-modules';
import { newJob, saveIntake, takeOtherMachines, takeReadings } from './intake/intake';
import { addGroup, removeGroup } from './intake/several';
import { draftOptions } from './options/draft-options';
import { takeProof } from './proof/proof';
import { proofByLink, proofOfJob } from './proof/proof-sheet';
import { signTheProof } from './proof/sign-proof';
import { acceptSpoken } from './quote/accept';
import { openQuote, sendQuote } from './quote/quote';
import { showSlices } from './slices/read-slices';

const shop = openTestShop();

async function school(): Promise<number> {
  const { id } = must(await newJob(shop.teo));
  must(await saveIntake(shop.teo, id, { customerName: 'Skerrow School', needMiB: 16384 }));
  return id;
}
const groupsOf = async (id: number) =>
  (await listGroups(pool(), id)).map(({ jobId, machines, serials }) => ({ jobId, machines, serials }));
const whole = async (id: number) => {
  const state = await showSlices(id, ['machine', 'market', 'quote', 'others', 'work'] as const);
  if (state === null) throw new Error('no job');
  return state;
};

describe('reports of several machines', () => {
  it('fall into groups of equals, by their serials, when somebody says that they belong together', async () => {
    const id = await school();
    must(await takeReadings(shop.teo, id, asInputs(twelveReports())));
    // Nobody said so yet: it is a job with one machine, the other reports stand apart.
    expect(await groupsOf(id)).toHaveLength(1);
    expect(must(await takeOtherMachines(shop.teo, id)).machines).toBe(11);
    const groups = await groupsOf(id);
    expect(groups.map(({ machines }) => machines).sort()).toEqual([5, 7]);
    expect(groups.map(({ serials }) => serials.toSorted()).sort((a, b) => a.length - b.length)).toEqual([FIVE, SEVEN]);
    expect((await takeOtherMachines(shop.teo, id)).ok).toBe(false);
    for (const { jobId, machines } of groups) {
      const { slots, job, readings, jobCase } = await stateOf(jobId);
      expect(slots.filter(({ module }) => module !== null)).toHaveLength(machines === 7 ? 1 : 2);
      expect(job.customer.name).toBe('Skerrow School');
      expect(readings).toHaveLength(machines);
      expect(jobCase.ok && jobCase.planCase.machines).toBe(machines);
    }
    // On the list of jobs they are one.
    const listed = await listCounterJobs(pool(), { most: 500, after: 0 });
    expect(listed.filter(({ customer }) => customer.name === 'Skerrow School').map((one) => one.id)).toEqual([id]);
  });

  it('counted first, they are shared out as they come, and one of another model is refused', async () => {
    const id = await school();
    must(await saveIntake(shop.teo, id, { machines: 12 }));
    must(await takeReadings(shop.teo, id, asInputs(twelveReports())));
    expect((await groupsOf(id)).map(({ machines }) => machines)).toEqual([7, 5]);
    const other = textInput('other', tillReport('ZZ', { A1: 4096 }).replaceAll('tc4-1900', 'tc9-2000'));
    const refused = await takeReadings(shop.teo, id, [other]);
    expect(!refused.ok && refused.sentence).toContain('open a job of its own');
    expect((await groupsOf(id)).map(({ machines }) => machines)).toEqual([7, 5]);
  });

  it('are found again by the serial of any of them, as the one job that they are of', async () => {
    const id = await school();
    must(await saveIntake(shop.teo, id, { machines: 3 }));
    const own = ['QA', 'QB', 'QC'].map((serial) => ({ name: serial, text: tillReport(serial, { A2: 8192 }) }));
    const others = [{ name: 'QD', text: tillReport('QD', { A2: 4096 }) }];
    must(await takeReadings(shop.teo, id, asInputs([...own, ...others])));
    const [, second] = await groupsOf(id);
    expect((await stateOf(second?.jobId ?? 0)).earlier.map((one) => one.id)).not.toContain(id);
    for (const serial of ['QA', 'QC', 'QD']) {
      const later = await school();
      must(await saveIntake(shop.teo, later, { customerName: `of ${serial}`, serial }));
      expect((await stateOf(later)).earlier.filter(({ by }) => by === 'serial').map((one) => one.id)).toEqual([id]);
    }
  });

  it('a group is added by hand and removed; the first stays', async () => {
    const id = await school();
    must(await takeReadings(shop.teo, id, asInputs(twelveReports().slice(0, 1))));
    must(await saveIntake(shop.teo, id, { machines: 2, neededBy: '2027-01-15' }));
    const { id: added } = must(await addGroup(shop.teo, id));
    const { job, slots } = await stateOf(added);
    expect(job).toMatchObject({ leadId: id, machines: 1, neededBy: '2027-01-15' });
    expect(slots.filter(({ module }) => module !== null)).toHaveLength(1);
    // What is of the whole job is written to all of its groups.
    must(await saveIntake(shop.teo, added, { neededBy: '2027-02-01', partsOnly: true }));
    expect((await stateOf(id)).job).toMatchObject({ neededBy: '2027-02-01', partsOnly: true });
    // What somebody is offered for one group is offered to all, and outlives the group.
    const title = textInput('title', 'Corrick 16GB DDR4-2400 CL17 DIMM, new, 12.00 EUR');
    must(await takeReadings(shop.teo, added, [title]));
    const isOffered = async (jobId: number) =>
      (await stateOf(jobId)).market.offers.some(({ label }) => label.includes('12.00 EUR'));
    expect([await isOffered(id), await isOffered(added)]).toEqual([true, true]);
    expect((await removeGroup(shop.teo, id)).ok).toBe(false);
    expect(must(await removeGroup(shop.teo, added)).lead).toBe(id);
    expect(await groupsOf(id)).toHaveLength(1);
    expect(await isOffered(id)).toBe(true);
  });
});

describe('a school’s twelve machines in two groups', () => {
  let lead: number;
  let other: number;

  it('are planned in turn, and one option holds a plan for each group', async () => {
    lead = await school();
    must(await saveIntake(shop.teo, lead, { machines: 12 }));
    must(await takeReadings(shop.teo, lead, asInputs(twelveReports())));
    other = (await groupsOf(lead))[1]?.jobId ?? 0;
    const fits = ({ totalMiB, care }: { totalMiB: number; care: string }) => totalMiB === 16384 && care !== 'off-book';
    const first = await choose(shop.teo, lead, 1, fits);
    expect(draftOptions(await whole(lead))).toMatchObject([
      { ok: false, sentence: 'Group 2 has no option 1 yet: choose it on its Options.' },
    ]);
    // What the first group takes of an offer is not there for the second.
    const [taken] = first.bought;
    if (taken === undefined) throw new Error('nothing is bought');
    await run(pool(), 'update offer set stock = 50 where id = $1', [Number(taken.offer.slice('offer-'.length))]);
    const stockFor = async (jobId: number) => {
      const { jobCase } = await stateOf(jobId);
      return jobCase.ok ? jobCase.planCase.offers.find(({ id }) => id === taken.offer)?.stock : undefined;
    };
    expect(await stockFor(lead)).toBe(50);
    expect(await stockFor(other)).toBe(50 - taken.count);
    const second = await choose(shop.teo, other, 1, (plan) => fits(plan) && plan.kept.length < 2);
    const [drafted] = draftOptions(await whole(lead));
    if (drafted?.ok !== true) throw new Error(drafted?.sentence);
    const { option } = drafted;
    expect(option.machines).toBe(12);
    expect(option.groups?.map(({ machines }) => machines)).toEqual([7, 5]);
    expect(option.totalCents).toBe(first.priceCents + second.priceCents);
    const packs = (bought: readonly { count: number }[]) => bought.reduce((sum, { count }) => sum + count, 0);
    expect(packs(option.shop.bought)).toBe(packs(first.bought) + packs(second.bought));
    expect(await plansOf(other)).not.toHaveLength(0);
  });

  it('are sent, accepted and ordered as one', async () => {
    const [drafted] = draftOptions(await whole(lead));
    const totalCents = drafted?.ok ? drafted.option.totalCents : 0;
    expect((await sendQuote(shop.teo, lead, { seen: [{ place: 1, totalCents: totalCents - 1 }] })).ok).toBe(false);
    const { token } = must(await sendQuote(shop.teo, other, { seen: [{ place: 1, totalCents }] }));
    const opened = await openQuote(token);
    expect(opened?.quote.machine.name).toMatch(/^12 × /);
    expect(opened?.quote.options[0]?.groups?.map(({ name }) => name)).toEqual(['Group 1', 'Group 2']);
    // A customer sees nothing of what it costs the shop.
    expect(JSON.stringify(opened?.quote)).not.toMatch(/costCents|marginCents|"shop":\{"kept|offer-/);
    expect((await stateOf(other)).draft?.choices ?? []).toEqual([]);
    const statements = opened?.quote.options[0]?.statements ?? [];
    must(await acceptSpoken(shop.teo, other, { place: 1, signed: 'Ms Orrin', ticked: statements }));
    const [of7, of5] = [await workOf(lead), await workOf(other)];
    expect([of7.accepted?.option.machines, of5.accepted?.option.machines]).toEqual([7, 5]);
    expect(of5.accepted?.whole.machines).toBe(12);
    expect(of7.wanted).toEqual(of5.wanted);
    expect(of7.wanted.every(({ jobId }) => jobId === lead)).toBe(true);
    const more = await saveIntake(shop.teo, lead, { machines: 9 });
    expect(!more.ok && more.sentence).toContain('is accepted');
    expect((await addGroup(shop.teo, lead)).ok).toBe(false);
    // One more of the same kind was never offered anything.
    const thirteenth = textInput('thirteenth', tillReport('SK-99', { A2: 8192 }));
    const late = await takeReadings(shop.teo, lead, [thirteenth]);
    expect(!late.ok && late.sentence).toContain('is accepted');
    expect((await groupsOf(lead)).map(({ machines }) => machines)).toEqual([7, 5]);
  });

  it('several are on the bench at once, each with its own list', async () => {
    const begun = [
      must(await beginFitting(shop.teo, lead, { machine: 1 })).id,
      must(await beginFitting(shop.teo, lead, { machine: 2 })).id,
    ];
    expect(new Set(begun).size).toBe(2);
    expect(must(await beginFitting(shop.teo, lead, { machine: 2 })).id).toBe(begun[1]);
    expect((await beginFitting(shop.teo, lead, { machine: 8 })).ok).toBe(false);
    for (const { jobId, machines } of await groupsOf(lead)) {
      for (let machine = 1; machine <= machines; machine++) {
        const { id } = must(await beginFitting(shop.teo, jobId, { machine }));
        expect(isFitted(await workOf(lead))).toBe(false);
        const { fittings } = await workOf(jobId);
        for (const { key } of fittings.find((one) => one.id === id)?.steps ?? [])
          must(await tickStep(shop.teo, jobId, id, { what: 'done', step: key }));
      }
    }
    expect(isFitted(await workOf(lead))).toBe(true);
    const [row] = (await listCounterJobs(pool(), { most: 500, after: 0 })).filter(({ id }) => id === lead);
    expect(row).toMatchObject({ fitted: true, proved: false });
  });

  /** What a machine says after the fitting. */
  const after = async (jobId: number, serial: string) => {
    const { accepted } = await workOf(jobId);
    const filled = accepted?.option.after.flatMap(({ slot, capacityMiB }) =>
      capacityMiB === null ? [] : [[slot, capacityMiB]],
    );
    return textInput(`${serial} after`, tillReport(serial, Object.fromEntries(filled ?? []), accepted?.option.rateMTs));
  };

  it('every report goes to its machine by its serial, wherever it is dropped, and the sheet lists all', async () => {
    for (const serial of [...SEVEN, ...FIVE]) {
      const own = FIVE.includes(serial) ? other : lead;
      const taken = must(await takeProof(shop.teo, lead, await after(own, serial)));
      const serials = (await listGroups(pool(), lead)).find(({ jobId }) => jobId === own)?.serials ?? [];
      expect(taken).toMatchObject({ held: true, at: { jobId: own, machine: serials.indexOf(serial) + 1 } });
    }
    // One of another model is kept apart, also where nobody read the machine before.
    const wrong = textInput('wrong', tillReport('', { A1: 4096 }).replaceAll('tc4-1900', 'tc9-2000'));
    expect(must(await takeProof(shop.teo, lead, wrong))).toMatchObject({ held: false });
    expect((await workOf(lead)).proofs.map(({ verdict }) => verdict)).toEqual(SEVEN.concat(FIVE).map(() => 'kept'));
    expect(await proofOfJob(READER, lead)).toBeNull();
    const { accepted, proofs } = await workOf(lead);
    const sign = (jobId: number) => ({
      proof: proofs.find((one) => one.jobId === jobId)?.id ?? 0,
      verdict: 'kept' as const,
      remark: '',
      depth: 'total-read' as const,
      loadedMinutes: null,
      others: true,
    });
    must(await signTheProof(shop.teo, lead, sign(lead)));
    expect(isProved(await workOf(lead))).toBe(false);
    must(await signTheProof(shop.teo, other, sign(other)));
    expect(isProved(await workOf(lead))).toBe(true);
    const [row] = (await listCounterJobs(pool(), { most: 500, after: 0 })).filter(({ id }) => id === lead);
    expect(row).toMatchObject({ fitted: true, proved: true });
    const pdf = await proofOfJob(READER, lead);
    expect(pdf?.bytes.byteLength).toBeGreaterThan(1000);
    expect(await proofByLink('nothing')).toBeNull();
    const proved = await many(
      pool(),
      'select distinct proof.job_id, machine from proof where quote_id = $1 and signed_at is not null',
      [accepted?.quote.id ?? 0],
    );
    expect(proved).toHaveLength(12);
  });

  it('what comes out goes to stock in one go', async () => {
    const { accepted } = await workOf(other);
    const out = accepted?.option.before.find(
      ({ slot: name, capacityMiB }) => capacityMiB !== null && !accepted.option.shop.kept.includes(name),
    );
    if (out === undefined) throw new Error('nothing comes out');
    const { slot } = out;
    const piece = {
      label: '4 GB DDR4-2400 CL17 1Rx8 DIMM',
      serial: '',
      test: 'read',
      grade: 'B',
      note: '',
      worthCents: 500,
    } as const;
    const told = await settleOldModule(shop.teo, other, {
      fate: 'shelf',
      slot,
      everyMachine: true,
      piece: { ...piece, serial: 'X' },
    });
    expect(told.ok).toBe(false);
    must(await settleOldModule(shop.teo, other, { fate: 'scrapped', slot, machine: 3 }));
    must(await settleOldModule(shop.teo, other, { fate: 'shelf', slot, everyMachine: true, piece }));
    const { oldModules } = await workOf(other);
    expect(oldModules.map(({ machine, fate }) => [machine, fate]).sort()).toEqual([
      [1, 'shelf'],
      [2, 'shelf'],
      [3, 'scrapped'],
      [4, 'shelf'],
      [5, 'shelf'],
    ]);
  });
});

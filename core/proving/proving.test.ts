import fc from 'fast-check';
import { NOTHING_TOLD, type ReadMachine, UNTOLD_MACHINE } from '../reading/reading';
import { compareProof, type Promised, type ShownMemory, seenOfReport, verdictOf } from './compare-proof';
import { isSomeTotal, mostHeld, parseShown } from './held-share';
import { apartFromJob } from './other-machine';
import { parseSockets, whySocketsDiffer } from './typed-sockets';

const GB = 1024;
const PROMISE: Promised = {
  totalMiB: 16 * GB,
  rateMTs: 2400,
  after: [
    { slot: 'A1', capacityMiB: null, text: null, fate: 'empty' },
    { slot: 'B1', capacityMiB: null, text: null, fate: 'empty' },
    { slot: 'A2', capacityMiB: 8 * GB, text: '8 GB', fate: 'stays' },
    { slot: 'B2', capacityMiB: 8 * GB, text: '8 GB', fate: 'new' },
  ],
  channelOf: { A1: 'A', A2: 'A', B1: 'B', B2: 'B' },
  stays: {},
};

function machine(
  gbs: Record<string, number | null>,
  rate: number | null = 2400,
  serial: string | null = null,
): ReadMachine {
  return {
    ...UNTOLD_MACHINE,
    serial,
    memory: {
      slotCount: null,
      maxCapacityMiB: null,
      errorCorrection: null,
      slots: Object.entries(gbs).map(([locator, gb]) => ({
        locator,
        bank: null,
        installed:
          gb === null ? null : { ...NOTHING_TOLD, capacityMiB: gb * GB, configuredRateMTs: rate, maker: 'Kelda' },
      })),
    },
  };
}

const FULL = { A1: null, B1: null, A2: 8, B2: 8 };
const held = (found: ReadMachine) => compareProof(PROMISE, seenOfReport(PROMISE, found), 512);
const verdicts = (found: ReadMachine) => Object.fromEntries(held(found).map(({ what, verdict }) => [what, verdict]));

/** The machine with serials on its modules. */
function withSerials(found: ReadMachine, serials: Record<string, string | null>): ReadMachine {
  const slots = found.memory.slots.map((slot) => ({
    ...slot,
    installed: slot.installed && { ...slot.installed, part: 'KD-8G24', serial: serials[slot.locator ?? ''] ?? null },
  }));
  return { ...found, memory: { ...found.memory, slots } };
}

describe('a module that was to stay', () => {
  const own = { part: 'KD-8G24', serial: '0A1B2C3D' };
  const promise: Promised = { ...PROMISE, stays: { A2: own } };
  const a2 = (serials: Record<string, string | null>, of = promise) =>
    compareProof(of, seenOfReport(of, withSerials(machine(FULL), serials)), 512).find(({ what }) => what === 'A2');

  it('is kept when it is the very one, also where a report turns the bytes of its serial round', () => {
    expect(a2({ A2: '0a1b2c3d', B2: '77777777' })).toMatchObject({ verdict: 'kept', note: '' });
    expect(a2({ A2: '3D2C1B0A', B2: '77777777' })).toMatchObject({ verdict: 'kept', note: '' });
  });

  it('wants a remark when another one of its size is there', () => {
    expect(a2({ A2: '99999999', B2: '77777777' })).toMatchObject({
      verdict: 'remark',
      note: 'Not the module that was to stay: that was serial 0A1B2C3D, this is serial 99999999.',
    });
    // A report without serials tells it by the part.
    expect(a2({ A2: null }, { ...promise, stays: { A2: { part: 'HV-8S19', serial: '0A1B2C3D' } } })).toMatchObject({
      verdict: 'remark',
      note: 'Not the module that was to stay: that was HV-8S19, this is KD-8G24.',
    });
  });

  it('says nothing where a serial is not told, or is all zeros', () => {
    expect(a2({ A2: null })).toMatchObject({ verdict: 'kept', note: '' });
    expect(a2({ A2: '00000000' })).toMatchObject({ verdict: 'kept', note: '' });
  });

  it('says nothing where it changed places with a new one', () => {
    expect(a2({ A2: '77777777', B2: '0A1B2C3D' })).toMatchObject({ verdict: 'kept', note: '' });
  });

  it('says nothing where two that stay changed places', () => {
    const both: Promised = { ...PROMISE, stays: { A2: own, B2: { part: 'KD-8G24', serial: '11112222' } } };
    const found = withSerials(machine(FULL), { A2: '11112222', B2: '0A1B2C3D' });
    expect(verdictOf(compareProof(both, seenOfReport(both, found), 512))).toBe('kept');
  });
});

describe('sockets that are typed off a screen', () => {
  const told = (typed: Record<string, string>) => {
    const parsed = parseSockets(PROMISE.after, typed);
    if (!parsed.ok) throw new Error(parsed.sentence);
    return parsed.slots;
  };

  it('are a size, or empty; one that is left empty is not told', () => {
    expect(told({ A1: 'empty', A2: '8 GB', B2: ' 8192MB ', B1: '' })).toMatchObject({
      A1: { capacityMiB: 0, text: 'empty' },
      A2: { capacityMiB: 8 * GB },
      B2: { capacityMiB: 8 * GB },
    });
    expect(told({ A1: '', C9: '8' })).toEqual({});
    expect(parseSockets(PROMISE.after, { A2: 'eight' })).toEqual({
      ok: false,
      sentence: 'A2: type a size such as 8 GB, or "empty".',
    });
  });

  it('cannot come to another total than the screen shows', () => {
    const whole = told({ A1: '-', B1: '0', A2: '8', B2: '8' });
    const why = (mib: number, heldMiB: number, slots = whole) =>
      whySocketsDiffer(slots, PROMISE.after, { mib, heldMiB });
    expect(why(16 * GB, 0)).toBeNull();
    expect(why(15.5 * GB, 512)).toBeNull();
    expect(why(15.4 * GB, 512)).toBe('The slots come to 16 GB, the total says 15.4 GB: look at the screen again.');
    expect(why(24 * GB, 0)).toContain('come to 16 GB');
    // Some of them tell no more than that there is so much at least.
    expect(why(24 * GB, 0, told({ A2: '8' }))).toBeNull();
    expect(why(4 * GB, 0, told({ A2: '8' }))).toContain('come to 8 GB');
  });
});

describe('a promise held against a report', () => {
  it('is kept when total, rate, channels and every slot are as promised', () => {
    expect(verdicts(machine(FULL))).toEqual({
      Total: 'kept',
      'Running rate': 'kept',
      Channels: 'kept',
      A1: 'kept',
      B1: 'kept',
      A2: 'kept',
      B2: 'kept',
    });
    expect(verdictOf(held(machine(FULL)))).toBe('kept');
    expect(held(machine(FULL)).at(-1)?.found).toBe('8 GB Kelda');
  });

  it('is broken where a module is missing', () => {
    const found = machine({ ...FULL, B2: null });
    expect(verdicts(found)).toMatchObject({ Total: 'broken', Channels: 'remark', B2: 'broken', A2: 'kept' });
    expect(verdictOf(held(found))).toBe('broken');
  });

  it('is kept with a remark where it runs slower, or all is there in other sockets', () => {
    const slower = held(machine(FULL, 2133));
    expect(slower.filter(({ verdict }) => verdict === 'remark').map(({ what }) => what)).toEqual(['Running rate']);
    expect(verdictOf(slower)).toBe('remark');
    const elsewhere = machine({ A1: 8, B1: null, A2: 8, B2: null });
    expect(verdicts(elsewhere)).toMatchObject({ Total: 'kept', Channels: 'remark', A1: 'remark', B2: 'remark' });
    expect(verdictOf(held(elsewhere))).toBe('remark');
  });

  it('goes by order where no name agrees, and says what is not told', () => {
    expect(verdicts(machine({ one: null, two: null, three: 8, four: 8 }))).toMatchObject({ A2: 'kept', B2: 'kept' });
    const little = machine({ one: 16 }, null);
    expect(verdicts(little)).toMatchObject({
      Total: 'kept',
      'Running rate': 'untold',
      Channels: 'untold',
      A1: 'untold',
    });
    expect(verdictOf(held(little))).toBe('kept');
    expect(verdictOf(held(machine({})))).toBe('broken');
  });
});

describe('a promise held against what a screen shows', () => {
  const screen = (seen: Partial<ShownMemory>) =>
    compareProof(
      PROMISE,
      { installedMiB: null, usableMiB: null, rateMTs: null, channels: null, slots: {}, ...seen },
      mostHeld(PROMISE.totalMiB, []),
    );

  it('lets graphics, devices and firmware hold a share, says how much, and not more', () => {
    const [total] = screen({ usableMiB: 15.5 * GB });
    expect(total).toMatchObject({ verdict: 'kept', found: '15.5 GB usable' });
    expect(total?.note).toBe('512 MB held by graphics, devices and firmware, of at most 2 GB in this model.');
    expect(screen({ usableMiB: 13.9 * GB })[0]).toMatchObject({ verdict: 'broken' });
    expect(screen({ usableMiB: 13.9 * GB })[0]?.note).toContain('missing');
  });

  it('counts installed memory to the MiB', () => {
    expect(screen({ installedMiB: 16 * GB })[0]?.verdict).toBe('kept');
    expect(screen({ installedMiB: 8 * GB })[0]?.verdict).toBe('broken');
  });

  it('knows the share of a model from its earlier proofs', () => {
    expect(mostHeld(16 * GB, [300, 420])).toBe(448);
    expect([mostHeld(2 * GB, []), mostHeld(16 * GB, []), mostHeld(64 * GB, [])]).toEqual([512, 2048, 2304]);
  });

  it('reads a total as screens write it', () => {
    const read = ['15.9 GB', '15,9', '16096 MB', '16', '1 TB', '7.8 GiB'].map(parseShown);
    expect(read).toEqual([16_282, 16_282, 16_096, 16_384, 1_048_576, 7_987]);
    expect(['', 'much', '-4', '16 apples', '0'].map(parseShown)).toEqual([null, null, null, null, null]);
  });

  it('tells a total that no set of the modules comes to', () => {
    expect(isSomeTotal(24 * GB, [8 * GB, 16 * GB], 0)).toBe(true);
    expect(isSomeTotal(20 * GB, [8 * GB, 16 * GB], 0)).toBe(false);
    expect(isSomeTotal(23.5 * GB, [8 * GB, 16 * GB], 512)).toBe(true);
    expect(isSomeTotal(23.5 * GB, [8 * GB, 16 * GB], 500)).toBe(false);
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 64 }), { minLength: 1, maxLength: 8 }),
        fc.nat(),
        (sizes, pick) => {
          const some = sizes.filter((_, nr) => ((pick >> nr) & 1) === 1);
          const total = some.reduce((sum, gb) => sum + gb * GB, 0);
          return (
            total === 0 ||
            isSomeTotal(
              total,
              sizes.map((gb) => gb * GB),
              0,
            )
          );
        },
      ),
    );
  });
});

describe('a report that may be of another machine, or of before', () => {
  const before = [machine({ ...FULL, B2: null }, 2400, 'S-1')];
  const job = { before, serial: 'S-1', changes: true };

  it('says so by its serial, whatever else it says', () => {
    expect(apartFromJob(machine(FULL, 2400, 'S-2'), job)).toContain('serial S-2');
    expect(apartFromJob(machine(FULL, 2400, 's1'), job)).toBeNull();
    expect(apartFromJob(machine(FULL), job)).toBeNull();
  });

  it('says so by its model, unless the serial is the same', () => {
    const other = { ...machine(FULL), model: 'Other 5' };
    const known = { ...job, before: [{ ...machine({ ...FULL, B2: null }), model: 'Counter 4' }], serial: '' };
    expect(apartFromJob(other, known)).toContain('Other 5');
    expect(apartFromJob({ ...other, serial: 'S-1' }, { ...known, serial: 'S-1' })).toBeNull();
  });

  it('says that it is as before, where the fitting changes anything', () => {
    const same = machine({ ...FULL, B2: null }, 2400, 'S-1');
    expect(apartFromJob(same, job)).toContain('before the fitting');
    expect(apartFromJob(same, { ...job, changes: false })).toBeNull();
  });
});

import type { MemoryModule } from '../../memory/module';
import type { PlanCase } from '../model/case';

/*
 * A second planner, written from the rules alone and as plainly as possible: it tries every module in every socket
 * and looks at all plans at once. It shares no code with the real one.
 */

interface Held {
  module: MemoryModule;
  rate: number;
  cl: number | null;
  kept: number | null;
  offer: number | null;
}
type Sockets = (Held | null)[];

const unknown = (value: unknown): value is null | undefined => value === null || value === undefined;
const known = <T>(values: (T | null | undefined)[]): T[] => values.filter((value): value is T => !unknown(value));
const distinct = (values: unknown[]) => new Set(values).size;

function held(planCase: PlanCase, module: MemoryModule, kept: number | null, offer: number | null): Held {
  let rate = module.rateMTs;
  let cl = module.casLatency ?? null;
  const profiles = planCase.machine.profiles ? [...(module.profiles ?? [])] : [];
  if (profiles.length > 0) {
    rate = Math.max(...profiles.map((profile) => profile.rateMTs));
    const cls = known(profiles.filter((profile) => profile.rateMTs === rate).map((profile) => profile.casLatency));
    cl = cls.length > 0 ? Math.min(...cls) : null;
  }
  return { module, rate, cl, kept, offer };
}

function machineOf(planCase: PlanCase) {
  const { machine } = planCase;
  const channels = [...new Set(machine.slots.map((slot) => slot.channel))];
  const banks = [...new Set(machine.slots.map((slot) => slot.bank))];
  const sockets = machine.slots.flatMap((slot, index) => (unknown(slot.soldered) ? [index] : []));
  const named = (machine.fillOrder ?? []).map((id) => machine.slots.findIndex((slot) => slot.id === id));
  const order = named.filter((slot) => sockets.includes(slot));
  const rest = sockets.filter((slot) => !order.includes(slot));
  rest.sort((a, b) => {
    const [one, other] = [machine.slots[a], machine.slots[b]];
    return (
      (one?.bank ?? 0) - (other?.bank ?? 0) ||
      channels.indexOf(one?.channel ?? '') - channels.indexOf(other?.channel ?? '')
    );
  });
  return { channels, banks, sockets, order: [...order, ...rest] };
}

/** The machine as the rules see it, with what is in it. */
function groundOf(planCase: PlanCase) {
  const { machine, installed, offers } = planCase;
  const goal = planCase.goal ?? {};
  const { channels, banks, sockets, order } = machineOf(planCase);
  const bare: Sockets = machine.slots.map((slot) =>
    unknown(slot.soldered) ? null : held(planCase, slot.soldered, null, null),
  );
  const today: Sockets = machine.slots.map((slot, index) => {
    const at = installed.findIndex((one) => one.slot === slot.id);
    const module = installed[at]?.module;
    return module === undefined ? (bare[index] ?? null) : held(planCase, module, at, null);
  });
  const total = (set: Sockets) => set.reduce((sum, one) => sum + (one?.module.capacityMiB ?? 0), 0);
  const perChannel = (set: Sockets) =>
    channels.map((channel) => total(set.filter((_, index) => machine.slots[index]?.channel === channel)));
  return {
    planCase,
    machine,
    installed,
    offers,
    goal,
    channels,
    banks,
    sockets,
    order,
    bare,
    today,
    total,
    perChannel,
  };
}
type Ground = ReturnType<typeof groundOf>;

/** Rates and bandwidth of a set of modules. */
function ratesOf({ machine, channels, total, perChannel }: Ground) {
  const cap = (one: Held, set: Sockets): number => {
    let least = one.rate;
    if (!unknown(machine.cpu?.maxRateMTs)) least = Math.min(least, machine.cpu.maxRateMTs);
    const counts = channels.map(
      (channel) => set.filter((piece, index) => piece && machine.slots[index]?.channel === channel).length,
    );
    for (const rule of machine.rateByLoad ?? []) {
      const ranks =
        unknown(rule.ranks) ||
        set.some((piece) => !unknown(piece?.module.ranks) && piece.module.ranks >= (rule.ranks ?? 0));
      if (Math.max(...counts) >= rule.modulesPerChannel && ranks) least = Math.min(least, rule.maxRateMTs);
    }
    return least;
  };
  const smallest = (set: Sockets): number | null => {
    const caps = known(set.map((one) => (one ? cap(one, set) : null)));
    return caps.length === 0 ? null : Math.min(...caps);
  };
  const under = (rates: number[], limit: number): number | null => {
    if (rates.length === 0) return limit;
    const fitting = rates.filter((rate) => rate <= limit);
    return fitting.length === 0 ? null : Math.max(...fitting);
  };
  const bandwidth = (set: Sockets, rate: number): number => {
    const all = perChannel(set);
    const filled = all.filter((capacity) => capacity > 0);
    if (filled.length === 0) return 0;
    const uneven = filled.some((capacity) => capacity !== filled[0]);
    const numerator = machine.unevenChannels === 'single' && uneven ? Math.max(...filled) : total(set);
    return Number((BigInt(rate) * 8n * BigInt(numerator)) / BigInt(Math.max(...filled)));
  };
  return { cap, smallest, under, bandwidth };
}

/** What holds for every set: rates, today's figures, ceilings. */
function figuresOf(ground: Ground) {
  const { machine, installed, today, total } = ground;
  const { cap, smallest, under, bandwidth } = ratesOf(ground);
  const todayCap = smallest(today);
  const todayRate = todayCap === null ? null : (under(machine.ratesMTs, todayCap) ?? todayCap);
  const rates =
    machine.ratesMTs.length > 0 && todayRate !== null
      ? [...new Set([...machine.ratesMTs, todayRate])]
      : machine.ratesMTs;
  const todayBandwidth = bandwidth(today, todayRate ?? 0);
  const papers = known([machine.ceilings?.totalMiB?.official, machine.cpu?.maxMiB]);
  const official = papers.length === 0 ? null : Math.min(...papers);
  const proven = Math.max(official ?? 0, machine.ceilings?.totalMiB?.proven ?? 0, total(today));
  const moduleOfficial = machine.ceilings?.moduleMiB?.official ?? null;
  const moduleProven = Math.max(
    0,
    machine.ceilings?.moduleMiB?.proven ?? 0,
    ...installed.map((one) => one.module.capacityMiB),
  );
  const failed = machine.ceilings?.moduleMiB?.failed ?? [];
  return {
    ...ground,
    ...{ cap, smallest, under, bandwidth, todayRate, rates, todayBandwidth, official, proven },
    ...{ moduleOfficial, moduleProven, failed },
  };
}
type Figures = ReturnType<typeof figuresOf>;

/** Why each offer is refused on its own. */
function refusalsOf({ planCase, machine, offers, rates, under, moduleOfficial, moduleProven, failed }: Figures) {
  return offers.map(({ module }) => {
    const codes: string[] = [];
    if (!machine.generations.includes(module.generation)) codes.push('generation');
    if (module.form !== machine.form) codes.push('form');
    if (!machine.kinds.some((kind) => kind.buffering === module.buffering && kind.ecc === module.ecc))
      codes.push('kind');
    if (!module.voltagesMv.some((mv) => machine.voltagesMv.includes(mv))) codes.push('voltage');
    if (failed.includes(module.capacityMiB)) codes.push('module-failed');
    else if (moduleOfficial !== null && module.capacityMiB > moduleOfficial && module.capacityMiB > moduleProven)
      codes.push('module-size');
    if (!unknown(module.heightMm) && !unknown(machine.clearanceMm) && module.heightMm > machine.clearanceMm)
      codes.push('height');
    if (!unknown(module.deviceGbit) && !unknown(machine.maxDeviceGbit) && module.deviceGbit > machine.maxDeviceGbit)
      codes.push('density');
    if (
      !unknown(module.deviceWidth) &&
      !unknown(machine.deviceWidths) &&
      !machine.deviceWidths.includes(module.deviceWidth)
    )
      codes.push('width');
    const own = held(planCase, module, null, 0).rate;
    if (under(rates, Math.min(own, machine.cpu?.maxRateMTs ?? own)) === null) codes.push('rate');
    return codes;
  });
}

/** The sockets of a bank, with what is in them. */
const bankPieces = ({ machine }: Figures, set: Sockets, bank: number) =>
  set.filter((_, index) => machine.slots[index]?.bank === bank);

/** Why a set is refused; null: it is not. */
function refusedBy(figures: Figures, set: Sockets): string | null {
  const { machine, installed, channels, banks, sockets, order, total, official, proven, smallest, under, rates } =
    figures;
  const all = known(set);
  if (distinct(all.map((one) => one.module.generation)) > 1) return 'generation-mix';
  if (distinct(all.map((one) => one.module.buffering)) > 1) return 'buffering-mix';
  if (!machine.voltagesMv.some((mv) => all.every((one) => one.module.voltagesMv.includes(mv)))) return 'voltage';
  for (const [index, one] of set.entries()) {
    const limit = machine.slots[index]?.maxMiB;
    if (!one || unknown(limit) || one.module.capacityMiB <= limit) continue;
    if (one.offer !== null || (one.kept !== null && installed[one.kept]?.slot !== machine.slots[index]?.id))
      return 'slot-size';
  }
  if (official !== null && total(set) > official && total(set) > proven) return 'total';
  if (!unknown(machine.maxRanksPerChannel)) {
    for (const channel of channels) {
      const ranks = set.reduce(
        (sum, one, index) => sum + (machine.slots[index]?.channel === channel ? (one?.module.ranks ?? 0) : 0),
        0,
      );
      if (ranks > machine.maxRanksPerChannel) return 'ranks';
    }
  }
  if (machine.pairing === 'required') {
    for (const bank of banks) {
      const pieces = bankPieces(figures, set, bank);
      const inBank = known(pieces);
      if (inBank.length === 0) continue;
      if (inBank.length < pieces.length) return 'pairing';
      if (distinct(inBank.map((one) => one.module.capacityMiB)) > 1) return 'pairing';
      if (distinct(inBank.map((one) => one.rate)) > 1) return 'pairing';
      if (distinct(known(inBank.map((one) => one.module.ranks))) > 1) return 'pairing';
    }
  }
  if (machine.fillRule === 'required') {
    const filled = sockets.filter((slot) => set[slot]);
    if (!order.slice(0, filled.length).every((slot) => filled.includes(slot))) return 'fill';
  }
  const limit = smallest(set);
  return limit !== null && under(rates, limit) === null ? 'rate' : null;
}

/** What a person has to know of a set. */
function heads(figures: Figures, set: Sockets, rate: number, flow: number): string[] {
  const { machine, channels, banks, today, total, perChannel, official, moduleOfficial } = figures;
  const { rates, under, cap, todayRate, todayBandwidth } = figures;
  const all = known(set);
  const reasons: string[] = [];
  const sizes = perChannel(set);
  const before = known(today);
  if (official !== null && total(set) > official) reasons.push('total-off-book');
  if (moduleOfficial !== null && all.some((one) => one.offer !== null && one.module.capacityMiB > moduleOfficial))
    reasons.push('module-off-book');
  if (distinct(all.map((one) => under(rates, cap(one, set)))) > 1) reasons.push('mixed-rate');
  if (all.some((a) => all.some((b) => a.rate === b.rate && a.cl !== null && b.cl !== null && a.cl !== b.cl)))
    reasons.push('mixed-latency');
  if (distinct(all.map((one) => one.module.ecc)) > 1) reasons.push('ecc-mix');
  if (before.length > 0 && before.every((one) => one.module.ecc) && !all.every((one) => one.module.ecc))
    reasons.push('ecc-lost');
  if (channels.length > 1 && distinct(sizes) > 1) reasons.push('uneven-channels');
  if (
    machine.pairing === 'advised' &&
    banks.some((bank) => distinct(known(bankPieces(figures, set, bank)).map((one) => one.module.capacityMiB)) > 1)
  )
    reasons.push('unmatched-bank');
  if (todayRate !== null && (rate < todayRate || flow < todayBandwidth)) reasons.push('slower-than-today');
  if (!unknown(machine.os?.visibleMiB) && total(set) > machine.os.visibleMiB) reasons.push('os-limit');
  if (official === null) reasons.push('total-unknown');
  return reasons.sort();
}

const careOf = (reasons: string[]) =>
  reasons.some((one) => one.endsWith('off-book')) ? 2 : reasons.length > 0 ? 1 : 0;

const before = (a: number[], b: number[]) => {
  const at = a.findIndex((value, index) => value !== b[index]);
  return at < 0 ? 0 : (a[at] ?? 0) - (b[at] ?? 0);
};

const token = ({ installed }: Ground, one: Held | null | undefined) =>
  one ? (one.kept ?? installed.length + (one.offer ?? 0)) : -1;
/** How good a placement is: of two, the one whose key is lower. */
function worth(figures: Figures, set: Sockets) {
  const { machine, installed, sockets, order, rates, under, smallest, bandwidth } = figures;
  const rate = under(rates, smallest(set) ?? 0) ?? 0;
  const flow = bandwidth(set, rate);
  const reasons = heads(figures, set, rate, flow);
  const moved = set.filter(
    (one, index) => one && one.kept !== null && installed[one.kept]?.slot !== machine.slots[index]?.id,
  ).length;
  const filled = sockets
    .filter((slot) => set[slot])
    .map((slot) => order.indexOf(slot))
    .sort((a, b) => a - b);
  const tokens = sockets.filter((slot) => set[slot]).map((slot) => token(figures, set[slot]));
  return { set, rate, flow, reasons, key: [careOf(reasons), -flow, moved, ...filled, ...tokens] };
}
type Placed = ReturnType<typeof worth>;

/** The best placement of pieces; null: there is none. @param setCodes why sets were refused, each told once a case */
function place(figures: Figures, pieces: Held[], setCodes: Set<string>): Placed | null {
  const { bare, sockets } = figures;
  let best: Placed | null = null;
  const tried = new Set<string>();
  const put = (set: Sockets, left: Held[]): void => {
    const [next, ...more] = left;
    if (next === undefined) {
      const name = set.map((one) => token(figures, one)).join();
      if (tried.has(name)) return;
      tried.add(name);
      const code = refusedBy(figures, set);
      if (code !== null) setCodes.add(code);
      if (code !== null) return;
      const candidate = worth(figures, set);
      if (best === null || before(candidate.key, best.key) < 0) best = candidate;
      return;
    }
    for (const slot of sockets) {
      if (set[slot]) continue;
      const filled = [...set];
      filled[slot] = next;
      put(filled, more);
    }
  };
  put(bare, pieces);
  return best as Placed | null;
}

interface Row {
  lane: string;
  reuse: string;
  kept: number[];
  bought: [number, number][];
  totalMiB: number;
  price: number;
  open: number;
  care: number;
  placed: Placed;
}

/** Tries every choice of offers for so many sockets. */
function buy(
  tried: { figures: Figures; refusals: string[][]; setCodes: Set<string> },
  at: number,
  free: number,
  bought: [number, number][],
  done: (bought: [number, number][]) => void,
): void {
  const { offers, goal } = tried.figures;
  if (at === offers.length) {
    done(bought);
    return;
  }
  buy(tried, at + 1, free, bought, done);
  const offer = offers[at];
  if (
    offer === undefined ||
    tried.refusals[at]?.length ||
    goal.without?.includes(offer.id) ||
    bought.length === (goal.maxOffers ?? 2)
  )
    return;
  const machines = tried.figures.planCase.machines ?? 1;
  let fits = false;
  for (let count = 1; count <= (offer.stock ?? 99 * machines); count++) {
    const all = count * offer.modules;
    if (all % machines !== 0) continue;
    if (all / machines > free) {
      if (!fits) tried.setCodes.add('slots');
      break;
    }
    fits = true;
    buy(tried, at + 1, free - all / machines, [...bought, [at, count]], done);
  }
}

/** A choice of modules in the best of its places, whatever it gives; null: it has none. */
function setOf(figures: Figures, kept: number[], bought: [number, number][], setCodes: Set<string>): Row | null {
  const { planCase, installed, offers, sockets, total } = figures;
  const machines = planCase.machines ?? 1;
  const pieces = [
    ...kept.flatMap((index) => (installed[index] ? [held(planCase, installed[index].module, index, null)] : [])),
    ...bought.flatMap(([at, count]) => {
      const offer = offers[at];
      return offer === undefined
        ? []
        : Array.from({ length: (count * offer.modules) / machines }, () => held(planCase, offer.module, null, at));
    }),
  ];
  const placed = place(figures, pieces, setCodes);
  if (placed === null) return null;
  const origins = [...new Set(bought.map(([at]) => offers[at]?.origin ?? ''))];
  const lane = origins.length === 0 ? 'none' : origins.length === 1 ? (origins[0] ?? '') : 'mixed';
  const credits = installed.reduce((sum, one, index) => sum + (kept.includes(index) ? 0 : (one.creditCents ?? 0)), 0);
  const parts = bought.reduce((sum, [at, count]) => sum + count * (offers[at]?.priceCents ?? 0), 0);
  return {
    lane,
    reuse:
      kept.length === installed.length
        ? bought.length === 0
          ? 'rearrange'
          : 'add'
        : kept.length === 0
          ? 'replace'
          : 'swap',
    kept,
    bought,
    totalMiB: total(placed.set),
    price: parts + machines * ((planCase.labourCents ?? 0) - credits),
    open: sockets.length - pieces.length,
    care: careOf(placed.reasons),
    placed,
  };
}

/** A choice of modules as a row; null: it is none, or not wished for. */
function rowOf(figures: Figures, kept: number[], bought: [number, number][], setCodes: Set<string>): Row | null {
  const { installed, goal, today, total, todayBandwidth } = figures;
  if (bought.length === 0 && kept.length < installed.length) return null;
  const row = setOf(figures, kept, bought, setCodes);
  if (row === null) return null;
  const { totalMiB, placed, lane } = row;
  if (totalMiB < total(today) || (totalMiB === total(today) && placed.flow <= todayBandwidth)) return null;
  if (totalMiB < (goal.minMiB ?? 0) || row.price > (goal.maxPriceCents ?? 1e12) || row.open < (goal.minOpenSlots ?? 0))
    return null;
  if (placed.rate < (goal.minRateMTs ?? 0) || (goal.lanes && !goal.lanes.includes(lane as 'mixed'))) return null;
  return row;
}

const five = (row: Row) => [row.totalMiB, -row.price, row.placed.flow, -row.care, row.open];
const dominates = (a: Row, b: Row) => {
  const [x, y] = [five(a), five(b)];
  return x.every((value, index) => value >= (y[index] ?? 0)) && x.some((value, index) => value > (y[index] ?? 0));
};
const sameKind = (a: Row, b: Row) => a.lane === b.lane && a.reuse === b.reuse;

/** Rows that no other makes pointless, in the order of the answer. */
function shownOf(rows: Row[]): Row[] {
  const front = rows.filter(
    (row) => !rows.some((other) => (row.lane === 'mixed' || sameKind(other, row)) && dominates(other, row)),
  );
  const tie = (row: Row) => [
    row.bought.length,
    row.bought.reduce((sum, [, count]) => sum + count, 0),
    ...row.bought.map(([at]) => at),
    ...row.bought.map(([, count]) => -count),
    ...row.kept,
  ];
  const shown = front.filter(
    (row) =>
      !front.some(
        (other) =>
          other !== row &&
          sameKind(other, row) &&
          five(other).join() === five(row).join() &&
          before(tie(other), tie(row)) < 0,
      ),
  );
  const plain = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0);
  shown.sort(
    (a, b) =>
      plain(a.lane, b.lane) ||
      plain(a.reuse, b.reuse) ||
      a.totalMiB - b.totalMiB ||
      a.price - b.price ||
      a.placed.flow - b.placed.flow ||
      a.care - b.care ||
      a.open - b.open,
  );
  return shown;
}

/** A row as the answer tells it. */
function planOf({ machine, installed, offers, sockets }: Figures, row: Row, shown: Row[]) {
  const originals = shown
    .filter((other) => other.lane === 'original' && other.totalMiB === row.totalMiB)
    .map((other) => other.price);
  return {
    lane: row.lane,
    reuse: row.reuse,
    kept: row.kept.map((index) => installed[index]?.slot),
    bought: row.bought.map(([at, count]) => ({ offer: offers[at]?.id, count })),
    placement: Object.fromEntries(
      sockets.flatMap((slot) => {
        const one = row.placed.set[slot];
        if (!one) return [];
        return [
          [
            machine.slots[slot]?.id,
            one.kept === null ? { offer: offers[one.offer ?? 0]?.id } : { kept: installed[one.kept]?.slot },
          ],
        ];
      }),
    ),
    totalMiB: row.totalMiB,
    rateMTs: row.placed.rate,
    bandwidthMBs: row.placed.flow,
    openSlots: row.open,
    care: ['clear', 'heads-up', 'off-book'][row.care],
    reasons: row.placed.reasons,
    priceCents: row.price,
    savingCents: originals.length === 0 ? null : Math.min(...originals) - row.price,
  };
}

export function bruteForce(planCase: PlanCase) {
  const figures = figuresOf(groundOf(planCase));
  const { installed, offers, sockets, today, total, todayRate, todayBandwidth } = figures;
  const refusals = refusalsOf(figures);
  const setCodes = new Set<string>();
  const rows: Row[] = [];
  for (let mask = 0; mask < 2 ** installed.length; mask++) {
    const kept = installed.map((_, index) => index).filter((index) => mask & (2 ** index));
    const fine = installed.every((one, index) => (kept.includes(index) ? one.keep !== 'never' : one.keep !== 'must'));
    if (!fine) continue;
    buy({ figures, refusals, setCodes }, 0, sockets.length - kept.length, [], (bought) => {
      const row = rowOf(figures, kept, bought, setCodes);
      if (row !== null) rows.push(row);
    });
  }
  const shown = shownOf(rows);
  return {
    setCodes: [...setCodes],
    baseline: { totalMiB: total(today), rateMTs: todayRate, bandwidthMBs: todayBandwidth },
    refusedOffers: offers.flatMap((offer, index) =>
      refusals[index]?.length ? [{ offer: offer.id, codes: refusals[index] }] : [],
    ),
    plans: shown.map((row) => planOf(figures, row, shown)),
  };
}

/**
 * A set that somebody put together: its figures in the best of its places; null: it has none.
 *
 * @param kept places in `installed`
 * @param bought places in `offers` and packs, which can be shared out evenly
 */
export function bruteForceSet(planCase: PlanCase, kept: number[], bought: [number, number][]) {
  const figures = figuresOf(groundOf(planCase));
  const pieces = bought.reduce(
    (sum, [at, count]) => sum + (count * (planCase.offers[at]?.modules ?? 0)) / (planCase.machines ?? 1),
    kept.length,
  );
  const row = pieces > figures.sockets.length ? null : setOf(figures, kept, bought, new Set());
  return row === null ? null : planOf(figures, row, []);
}

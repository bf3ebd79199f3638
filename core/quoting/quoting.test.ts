import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { NOTHING_KNOWN } from '../machine/models/nothing-known';
import { slot } from '../machine/samples';
import { makeBoard } from '../planning/model/board';
import type { PlanCase } from '../planning/model/case';
import { CARE_REASONS, NOTES } from '../planning/rules/care';
import { effectiveLimits } from '../planning/rules/effective-limits';
import { answer } from '../planning/search/answer';
import type { Plan } from '../planning/search/plan';
import { english } from '../planning/testing/english';
import { customerView } from './customer-view';
import { makeOption, type OptionSupply } from './option';
import { figureRows, savingSentences } from './paper/figure-rows';
import { reasonFacts } from './reason-facts';
import { noteText, reasonText } from './reason-words';
import { sampleRule } from './samples';
import { slotChanges } from './slot-changes';
import { type QuoteSnapshot, snapshotSchema } from './snapshot';
import { PLAIN_TERMS } from './terms';
import type { QuoteTerms } from './terms-schema';
import { asksOf } from './typed-asks';

const GB = 1024;
const planCase: PlanCase = JSON.parse(
  readFileSync(join(__dirname, '..', 'planning', 'cases', 'bakery-till.case.json'), 'utf8'),
);
const { plans } = answer(planCase);
const supplies = new Map<string, OptionSupply>(
  planCase.offers.map(({ id }, index) => [
    id,
    { costCents: 1111 + index, seller: `Seller ${id}`, leadDays: index === 0 ? null : index },
  ]),
);

function find(test: (plan: Plan) => boolean): Plan {
  const plan = plans.find(test);
  if (plan === undefined) throw new Error('no such plan');
  return plan;
}
const option = (plan: Plan, place = 1) => makeOption({ planCase, plan, supplies, pricing: sampleRule(), place });

const replacing = find((plan) => plan.reuse === 'replace' && plan.lane === 'third-party' && plan.totalMiB === 32 * GB);
const adding = find((plan) => plan.reuse === 'add' && plan.lane === 'third-party' && plan.totalMiB === 16 * GB);
const original = find((plan) => plan.lane === 'original' && plan.totalMiB === 16 * GB);

describe('an option', () => {
  it('adds up to the plan’s price, line by line, for every plan', () => {
    for (const plan of plans) {
      const made = option(plan);
      expect(made.totalCents).toBe(plan.priceCents);
      for (const line of made.lines) expect(line.quantity * line.eachCents).toBe(line.totalCents);
      expect(made.lines.reduce((sum, line) => sum + line.totalCents, 0)).toBe(plan.priceCents);
      expect(made.taxCents + made.shop.costCents + made.shop.marginCents).toBe(made.totalCents);
    }
  });

  it('of several equal machines adds up to the plan’s price, with what each comes to', () => {
    const fleet: PlanCase = {
      ...planCase,
      machines: 12,
      offers: planCase.offers.map((one) => ({ ...one, stock: null })),
    };
    const all = answer(fleet).plans;
    expect(all.length).toBeGreaterThan(3);
    for (const plan of all) {
      const made = makeOption({ planCase: fleet, plan, supplies, pricing: sampleRule(), place: 1 });
      expect(made.totalCents).toBe(plan.priceCents);
      expect(made.machines).toBe(12);
      expect(made.lines.find(({ kind }) => kind === 'labour')?.quantity).toBe(12);
      for (const { kind, quantity } of made.lines) if (kind === 'credit') expect(quantity % 12).toBe(0);
    }
    const [plan] = all;
    if (plan === undefined) throw new Error('no plan');
    const factory = [
      { totalMiB: 8 * GB, surchargeCents: 0, baseModel: '' },
      { totalMiB: plan.totalMiB, surchargeCents: 90_000, baseModel: '' },
    ];
    const made = makeOption({ planCase: fleet, plan, supplies, pricing: sampleRule(), place: 1, factory });
    expect(made.maker?.asksCents).toBe(12 * 90_000);
    const rows = figureRows({ currency: 'EUR', taxBp: 2000, language: 'en' } as never, made);
    expect(rows.map(({ words }) => words)).toContain('For each of 12 machines');
    const each = rows.find(({ words }) => words === 'For each of 12 machines')?.amount.replace(/[^0-9]/g, '');
    expect(Math.abs(12 * Number(each) - made.totalCents)).toBeLessThanOrEqual(6);
  });

  it('says what the machine’s maker asks for the same, where that is more, and nothing where tax is not the same', () => {
    const today = planCase.installed.reduce((sum, { module }) => sum + module.capacityMiB, 0);
    const factory = [
      { totalMiB: today, surchargeCents: 1000, baseModel: '' },
      { totalMiB: adding.totalMiB, surchargeCents: 51_000, baseModel: '' },
    ];
    const made = (more: Partial<Parameters<typeof makeOption>[0]>) =>
      makeOption({ planCase, plan: adding, supplies, pricing: sampleRule(), place: 1, factory, ...more });
    const { maker, totalCents } = made({});
    expect(maker).toEqual({ asksCents: 50_000, overMiB: today, savingCents: 50_000 - totalCents });
    const quote = { currency: 'EUR', taxBp: 2000 } as Parameters<typeof savingSentences>[0];
    const sentences = savingSentences({ ...quote, language: 'en' }, made({}));
    expect(sentences.at(-1)).toContain('The maker of your machine asks €500.00 more for 16 GB than for 8 GB');
    expect(sentences.at(-1)).toContain('when it is bought new');
    // What was told for this machine may be its upgrade as well.
    const typed = made({ factory: asksOf(factory, { totalMiB: 16 * 1024, cents: 50_000 }, today) });
    expect(typed.maker).toEqual({ ...maker, isTyped: true });
    expect(savingSentences({ ...quote, language: 'en' }, typed).at(-1)).not.toContain('bought new');
    // A discount is no saving, and what a fee is for the maker does not do either.
    const terms: QuoteTerms = {
      ...PLAIN_TERMS,
      extras: [{ text: 'Diagnosis', quantity: 1, eachCents: 3000, taxBp: null }],
      discount: { kind: 'amount', cents: 500, reason: 'a friend' },
    };
    expect(made({ terms }).totalCents).toBe(totalCents + 2500);
    expect(made({ terms }).maker).toEqual(maker);
    const cheap = factory.map((one) => ({ ...one, surchargeCents: Math.min(one.surchargeCents, 1500) }));
    expect(made({ factory: cheap }).maker).toBeUndefined();
    expect(made({ factory: [] }).maker).toBeUndefined();
    expect(made({ pricing: { ...sampleRule(), exempt: 'a charity' } }).maker).toBeUndefined();
  });

  describe('says who made a part', () => {
    const [offer] = adding.bought.map(({ offer: id }) => planCase.offers.find((one) => one.id === id));
    if (offer === undefined) throw new Error('it buys nothing');
    const named = { ...offer, module: { ...offer.module, maker: 'Corrick', part: 'CO8-D24' } };
    const ownCase = { ...planCase, offers: planCase.offers.map((one) => (one.id === offer.id ? named : one)) };
    const supply = { costCents: 999, seller: 'Quayside Components', leadDays: 1 };
    const about = (more: Partial<Parameters<typeof makeOption>[0]>, own: Partial<OptionSupply> = {}) => {
      const one = new Map(supplies).set(offer.id, { ...supply, ...own });
      const input = { planCase: ownCase, plan: adding, supplies: one, pricing: sampleRule(), place: 1, ...more };
      return makeOption(input).lines.find(({ kind }) => kind === 'part')?.about;
    };

    it.each([
      [{}, {}, 'by Corrick CO8-D24'],
      [{ told: { part: false, seller: false } }, {}, 'by Corrick'],
      [{ told: { part: true, seller: true } }, {}, 'by Corrick CO8-D24, from Quayside Components'],
      [{ told: { part: false, seller: true } }, { seller: 'Stock' }, 'by Corrick'],
      [{}, { testedBy: ['Tarnholt’s list'] }, 'by Corrick CO8-D24, tested: on Tarnholt’s list'],
      [{}, { guaranteeMonths: 120 }, 'by Corrick CO8-D24, maker’s guarantee: 10 years'],
      [{ language: 'de' as const }, { guaranteeMonths: 12 }, 'von Corrick CO8-D24, Herstellergarantie: 1 Jahr'],
      [{ language: 'fr' as const }, { guaranteeMonths: 30 }, 'de Corrick CO8-D24, garantie du fabricant : 30 mois'],
      [
        { language: 'de' as const },
        { testedBy: ['Liste A', 'Liste B'] },
        'von Corrick CO8-D24, geprüft: auf Liste A, Liste B',
      ],
      [
        { language: 'fr' as const, told: { part: false, seller: true } },
        {},
        'de Corrick, fourni par Quayside Components',
      ],
    ])('%j %j', (more, own, says) => expect(about(more, own)).toBe(says));

    it('and nothing where nobody knows', () => {
      const bare = { ...offer, module: { ...offer.module, maker: null, part: null } };
      const unnamed = { ...planCase, offers: planCase.offers.map((one) => (one.id === offer.id ? bare : one)) };
      expect(about({ planCase: unnamed })).toBeUndefined();
    });
  });

  it('credits what comes out, and only that', () => {
    expect(option(replacing).lines.filter((line) => line.kind === 'credit')).toEqual([
      {
        kind: 'credit',
        text: 'Credit for your 8 GB module',
        origin: null,
        quantity: 1,
        eachCents: -600,
        totalCents: -600,
        taxBp: 2000,
      },
    ]);
    expect(option(replacing).oldModules).toBe('Your old module comes out; we credit it to you.');
    expect(option(adding).lines.some((line) => line.kind === 'credit')).toBe(false);
    expect(option(adding).oldModules).toBe('Your module stays in.');
  });

  it('claims a saving only against an original at the same total, and never for the original itself', () => {
    expect(option(adding)).toMatchObject({ savingCents: adding.savingCents });
    expect(option(original)).toMatchObject({ savingCents: null });
    const unreached = { ...adding, savingCents: null };
    expect(option(unreached)).toMatchObject({ savingCents: null, savingPercent: null });
  });

  it('waits for the slowest part', () => {
    const mixed = find((plan) => plan.bought.length === 2);
    const days = mixed.bought.map(({ offer }) => supplies.get(offer)?.leadDays ?? 0);
    expect(option(mixed).leadDays).toBe(Math.max(...days));
  });

  it('draws before and after slot by slot, with the fate of each', () => {
    const made = option(adding);
    expect(made.before.map(({ slot, capacityMiB }) => [slot, capacityMiB])).toEqual([
      ['A1', null],
      ['B1', null],
      ['A2', 8 * GB],
      ['B2', null],
    ]);
    const after = made.after.filter(({ capacityMiB }) => capacityMiB !== null).map(({ slot, fate }) => [slot, fate]);
    expect(after).toEqual([
      ['A2', 'stays'],
      ['B2', 'new'],
    ]);
  });

  it('warns in the customer’s words', () => {
    const uneven = find((plan) => plan.reasons.includes('uneven-channels'));
    expect(option(uneven).warnings.join(' ')).toContain('runs slower than the rest');
    expect(option(adding).warnings).toEqual([]);
  });
});

describe('words for reasons', () => {
  const facts = reasonFacts(planCase, adding, effectiveLimits(makeBoard(planCase)));

  it('are there for every reason and note', () => {
    for (const name of Object.keys(CARE_REASONS) as (keyof typeof CARE_REASONS)[]) {
      expect(reasonText(english.t, name, facts)).toMatch(/^[A-Z0-9].*\.$/);
      expect(reasonText(english.t, name, facts)).not.toMatch(/undefined|null|NaN/);
    }
    for (const note of NOTES) expect(noteText(english.t, note, facts)).toMatch(/\.$/);
  });
});

const snapshot: QuoteSnapshot = {
  fenbrik: 'quote/1',
  number: '2026-0001',
  sentOn: '2026-11-25',
  validUntil: '2026-12-09',
  currency: 'EUR',
  taxBp: 2000,
  shop: { name: 'Petrel Street Repair Co-op', town: 'Skerrow', contact: '14 Petrel Street' },
  customer: { name: 'Hedda Vane' },
  machine: { name: 'Tarnholt Counter 4', totalMiB: 8 * GB },
  suggested: 1,
  options: [option(adding, 1), option(original, 2)],
};

describe('what a customer may see', () => {
  it('holds no cost, margin, seller or offer, wherever one looks', () => {
    const text = JSON.stringify(customerView(snapshot));
    expect(text).not.toMatch(/costCents|marginCents|seller|Seller|"shop":\{"kept|tp-8|orig-8/);
    for (const { shop } of snapshot.options) {
      expect(text).not.toContain(`:${shop.costCents}`);
      expect(text).not.toContain(`:${shop.marginCents}`);
    }
  });

  it('holds everything else', () => {
    const seen = customerView(snapshot);
    const { shop: _, ...visible } = snapshot.options[0] ?? option(adding);
    expect(seen.options[0]).toEqual(visible);
    expect(seen).toMatchObject({ number: '2026-0001', suggested: 1, customer: { name: 'Hedda Vane' } });
  });

  it('does not let a new field out on its own', () => {
    const sneaky = { ...snapshot, secret: 1, options: snapshot.options.map((one) => ({ ...one, secret: 1 })) };
    expect(JSON.stringify(customerView(sneaky))).not.toContain('secret');
  });

  it('comes from a snapshot that the schema takes, and from no other', () => {
    expect(snapshotSchema.safeParse(snapshot).error?.issues ?? []).toEqual([]);
    expect(snapshotSchema.safeParse(JSON.parse(JSON.stringify(snapshot))).success).toBe(true);
    expect(snapshotSchema.safeParse({ ...snapshot, options: [] }).success).toBe(false);
    expect(snapshotSchema.safeParse({ ...snapshot, sentOn: '25.11.2026' }).success).toBe(false);
  });
});

describe('what a plan changes in the slots', () => {
  const of = (gb: number) => ({ ...NOTHING_KNOWN, capacityMiB: gb * GB, rateMTs: 2400 });
  const slots = [slot('A1', of(4)), slot('B1', of(8)), slot('C1'), slot('D1', of(2), { soldered: true })];

  it('is nothing without a plan', () => {
    const changes = slotChanges(slots, null, []);
    expect(changes.map(({ now, after, comes }) => [now, after, comes])).toEqual([
      [4 * GB, 4 * GB, 'stays'],
      [8 * GB, 8 * GB, 'stays'],
      [null, null, 'empty'],
      [2 * GB, 2 * GB, 'stays'],
    ]);
  });

  it('tells what leaves, moves, stays and comes', () => {
    const plan: Plan = { ...adding, kept: ['B1'], placement: { A1: { offer: 'tp-8' }, C1: { kept: 'B1' } } };
    const changes = slotChanges(slots, plan, planCase.offers);
    expect(changes.map(({ slot: name, leaves, comes, after }) => [name, leaves, comes, after])).toEqual([
      ['A1', 'out', 'new', 8 * GB],
      ['B1', 'moves', 'empty', null],
      ['C1', null, 'moves', 8 * GB],
      ['D1', 'stays', 'stays', 2 * GB],
    ]);
  });

  it('marks what is still asked', () => {
    const unknown = slot('A1', NOTHING_KNOWN);
    expect(slotChanges([unknown], null, [])[0]).toMatchObject({ nowKnown: false, rateAsked: true });
  });
});

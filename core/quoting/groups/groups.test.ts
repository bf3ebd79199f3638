import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { PlanCase } from '../../planning/model/case';
import { answer } from '../../planning/search/answer';
import { customerView } from '../customer-view';
import { makeOption, type OptionSupply } from '../option';
import { savingSentences } from '../paper/figure-rows';
import { sampleRule } from '../samples';
import type { QuoteSnapshot } from '../snapshot';
import { PLAIN_TERMS } from '../terms';
import { joinOptions } from './join-options';
import { groupOfKey } from './line-key';
import { optionOfGroup, totalsOf } from './option-of-group';

const till: PlanCase = JSON.parse(
  readFileSync(join(__dirname, '..', '..', 'planning', 'cases', 'bakery-till.case.json'), 'utf8'),
);
const supplies = new Map<string, OptionSupply>(
  till.offers.map(({ id }) => [id, { costCents: 1111, seller: 'Quayside', leadDays: 1 }]),
);
const terms = {
  ...PLAIN_TERMS,
  extras: [{ text: 'Diagnosis', quantity: 1, eachCents: 2500, taxBp: null }],
  discount: { kind: 'share' as const, bp: 1000, reason: 'a school' },
};

/** A group's part: the plan with this total, for so many tills. */
function partOf(jobId: number, machines: number, totalGb: number) {
  const planCase = { ...till, machines, offers: till.offers.map((one) => ({ ...one, stock: null })) };
  const plan = answer(planCase).plans.find(({ totalMiB }) => totalMiB === totalGb * 1024);
  if (plan === undefined) throw new Error('no such plan');
  const option = makeOption({ planCase, plan, supplies, pricing: sampleRule(), place: 1 });
  return { jobId, machines, option };
}
const parts = [partOf(12, 7, 16), partOf(13, 5, 32)];
const joined = joinOptions(parts, { terms, language: 'en', pricing: sampleRule() });

it('counts the other lines once and takes the discount off all groups’ parts and work', () => {
  const ofPlans = parts.reduce((sum, { option }) => sum + option.totalCents, 0);
  const charged = parts
    .flatMap(({ option }) => option.lines)
    .filter(({ kind }) => kind === 'part' || kind === 'labour');
  const off = Math.round(charged.reduce((sum, { totalCents }) => sum + totalCents, 0) / 10);
  expect(joined.totalCents).toBe(ofPlans + 2500 - off);
  expect(joined.lines.filter(({ kind }) => kind === 'fee')).toHaveLength(1);
  expect(joined.lines.reduce((sum, { totalCents }) => sum + totalCents, 0)).toBe(joined.totalCents);
  expect(joined.taxCents + joined.shop.costCents + joined.shop.marginCents).toBe(joined.totalCents);
  expect(joined).toMatchObject({ machines: 12, totalMiB: 16 * 1024 });
  expect(totalsOf(joined)).toEqual([16 * 1024, 32 * 1024]);
});

it('says of each group what its own option said, its packs too', () => {
  for (const { jobId, machines, option } of parts) {
    const own = optionOfGroup(joined, jobId);
    expect(own).toMatchObject({
      machines,
      totalMiB: option.totalMiB,
      after: option.after,
      oldModules: option.oldModules,
    });
    expect([own.shop.kept, own.shop.bought, own.shop.placement]).toEqual([
      option.shop.kept,
      option.shop.bought,
      option.shop.placement,
    ]);
    expect(own.groups).toBeUndefined();
  }
  // An option without groups is of all machines.
  const [{ option }] = parts as [(typeof parts)[number]];
  expect(optionOfGroup(option, 99)).toBe(option);
});

it('says of each group what the machines’ maker asks for the same', () => {
  const [first, second] = parts as [(typeof parts)[number], (typeof parts)[number]];
  const asked = {
    ...first,
    option: { ...first.option, maker: { asksCents: 90_000, overMiB: 8192, savingCents: 40_000 } },
  };
  const option = joinOptions([asked, second], { terms, language: 'en', pricing: sampleRule() });
  const [seen] = customerView({ options: [option] } as unknown as QuoteSnapshot).options;
  if (seen === undefined) throw new Error('no option');
  const quote = { currency: 'EUR', taxBp: 2000, language: 'en' } as Parameters<typeof savingSentences>[0];
  expect(savingSentences(quote, seen).filter((sentence) => sentence.includes('The maker of your'))).toEqual([
    'Group 1: The maker of your machines asks €900.00 more for 16 GB than for 8 GB when it is bought new: you save €400.00 against that.',
  ]);
});

it('names each line’s group, and by which job and name it is typed over', () => {
  const keys = joined.shop.computed?.map(({ key }) => groupOfKey(key)) ?? [];
  expect(keys.filter((key) => key?.jobId === 12)).toHaveLength(parts[0]?.option.lines.length ?? 0);
  expect(keys.find((key) => key?.key === 'labour')).toEqual({ jobId: 12, key: 'labour' });
  // Other lines and the discount are of no group.
  expect(keys.filter((key) => key === null)).toHaveLength(2);
  expect(joined.lines.filter(({ about }) => about?.startsWith('Group 2')).length).toBeGreaterThan(0);
});

it('shows a customer nothing of the shop’s side', () => {
  const seen = JSON.stringify(customerView({ options: [joined] } as unknown as QuoteSnapshot).options);
  expect(seen).toContain('Group 2');
  expect(seen).not.toMatch(/costCents|marginCents|"kept"|Quayside|"job"/);
});

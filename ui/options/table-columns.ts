import { MIB_PER_GB } from '@/core/memory/capacity';
import { effectiveChannelsText } from '@/core/planning/explain/channel-words';
import { boughtText, fateText } from '@/core/planning/explain/plan-words';
import { planKey } from '@/core/planning/filters/ladder';
import type { PlanCase } from '@/core/planning/model/case';
import { machinesOf } from '@/core/planning/model/machines';
import { CARES } from '@/core/planning/rules/care';
import type { Plan } from '@/core/planning/search/plan';
import { currencyDecimals } from '@/core/pricing/currency';
import { eachCents } from '@/core/pricing/each-cents';
import type { OfferSupply } from '@/service/job/options/view';
import type { StaffMessages, StaffWords } from '@/words/staff-words';
import { capacityText, moneyText } from '../words/amounts';
import { leadDaysOf } from './said/delivery';
import { LANE_WORDS } from './said/lane-words';
import { guaranteeMonthsOf, madeOfPlan } from './said/made';
import { hasOwnPart } from './said/saving-said';

/** What a table of plans is made of. */
export interface TableGround {
  tTrade: StaffWords<'trade'>;
  tPlans: StaffWords<'plans'>;
  planCase: PlanCase;
  supplies: Readonly<Record<string, OfferSupply>>;
}

export interface Column {
  id: string;
  name: `facts.${keyof StaffMessages['options']['facts']}`;
  /** how it is shown */
  text: (plan: Plan, ground: TableGround) => string;
  /** how it is sorted, and what a spreadsheet gets: a number, or its text */
  value: (plan: Plan, ground: TableGround) => number | string | null;
  /** shown until somebody chooses otherwise */
  usual: boolean;
  /** its words may run over lines */
  isLong?: boolean;
  /** a figure, which stands right so that they can be held against each other */
  isFigure?: boolean;
}

const money = (cents: number | null, { planCase }: TableGround): string =>
  cents === null ? '–' : moneyText(cents, planCase.currency);
/** Amounts as spreadsheets count them, in whole units of the currency. */
const amount = (cents: number | null, { planCase }: TableGround): number | null =>
  cents === null ? null : cents / 10 ** currencyDecimals(planCase.currency);

/** The price for each of several machines. */
const eachOf = ({ priceCents }: Plan, { planCase }: TableGround): number => eachCents(priceCents, machinesOf(planCase));

/** What it saves against originals; null: none does, or nobody knows what the customer's own part did cost. */
const savedBy = (plan: Plan, { supplies }: TableGround): number | null =>
  hasOwnPart(plan, supplies) ? null : plan.savingCents;

const daysOf = (plan: Plan, { supplies }: TableGround): number => leadDaysOf(plan, supplies);

export const COLUMNS: readonly Column[] = [
  {
    id: 'total',
    name: 'facts.total',
    usual: true,
    isFigure: true,
    text: (plan) => capacityText(plan.totalMiB),
    value: (plan) => plan.totalMiB / MIB_PER_GB,
  },
  {
    id: 'price',
    name: 'facts.priceShort',
    usual: true,
    isFigure: true,
    text: (plan, ground) => money(plan.priceCents, ground),
    value: (plan, ground) => amount(plan.priceCents, ground),
  },
  {
    id: 'each',
    name: 'facts.each',
    usual: false,
    isFigure: true,
    text: (plan, ground) => money(eachOf(plan, ground), ground),
    value: (plan, ground) => amount(eachOf(plan, ground), ground),
  },
  {
    id: 'added',
    name: 'facts.perAdded',
    usual: true,
    isFigure: true,
    text: (plan, ground) => money(plan.perAddedGiBCents, ground),
    value: (plan, ground) => amount(plan.perAddedGiBCents, ground),
  },
  {
    id: 'gb',
    name: 'facts.perGb',
    usual: false,
    isFigure: true,
    text: (plan, ground) => money(plan.perGiBCents, ground),
    value: (plan, ground) => amount(plan.perGiBCents, ground),
  },
  {
    id: 'saving',
    name: 'facts.saving',
    usual: true,
    isFigure: true,
    text: (plan, ground) => money(savedBy(plan, ground), ground),
    value: (plan, ground) => amount(savedBy(plan, ground), ground),
  },
  {
    id: 'lane',
    name: 'facts.origin',
    usual: true,
    text: ({ lane }, { tTrade }) => tTrade(LANE_WORDS[lane]),
    value: ({ lane }, { tTrade }) => tTrade(LANE_WORDS[lane]),
  },
  {
    id: 'care',
    name: 'facts.caution',
    usual: true,
    text: ({ care }, { tTrade }) => tTrade(`cautions.${care}`),
    value: ({ care }) => CARES.indexOf(care),
  },
  {
    id: 'rate',
    name: 'facts.rateUnit',
    usual: true,
    isFigure: true,
    text: ({ rateMTs }) => String(rateMTs),
    value: ({ rateMTs }) => rateMTs,
  },
  {
    id: 'channels',
    name: 'facts.channels',
    usual: false,
    text: (plan, { tPlans }) => effectiveChannelsText(tPlans, plan.effectiveChannels),
    value: (plan) => plan.effectiveChannels,
  },
  {
    id: 'free',
    name: 'facts.free',
    usual: true,
    isFigure: true,
    text: ({ openSlots }) => String(openSlots),
    value: ({ openSlots }) => openSlots,
  },
  {
    id: 'old',
    name: 'facts.old',
    usual: false,
    isLong: true,
    text: (plan, { tPlans, planCase }) => fateText(tPlans, planCase, plan),
    value: ({ kept }) => kept.length,
  },
  {
    id: 'days',
    name: 'facts.days',
    usual: true,
    isFigure: true,
    text: (plan, ground) => String(daysOf(plan, ground)),
    value: daysOf,
  },
  {
    id: 'buys',
    name: 'facts.buys',
    usual: true,
    isLong: true,
    text: (plan, { tPlans, planCase }) => boughtText(tPlans, planCase, plan),
    value: (plan, { tPlans, planCase }) => boughtText(tPlans, planCase, plan),
  },
  {
    id: 'made',
    name: 'facts.made',
    usual: false,
    isLong: true,
    text: (plan, { planCase }) => madeOfPlan(planCase, plan),
    value: (plan, { planCase }) => madeOfPlan(planCase, plan) || null,
  },
  {
    id: 'guarantee',
    name: 'facts.guarantee',
    usual: false,
    isFigure: true,
    text: (plan, { supplies }) => guaranteeMonthsOf(plan, supplies)?.toString() ?? '–',
    value: (plan, { supplies }) => guaranteeMonthsOf(plan, supplies),
  },
];

export interface TableOrder {
  column: string;
  down: boolean;
}

/** Plans by a column; those without a value last, equal ones by price. */
export function sortedPlans(plans: readonly Plan[], order: TableOrder, ground: TableGround): Plan[] {
  const column = COLUMNS.find(({ id }) => id === order.column) ?? COLUMNS[1];
  if (column === undefined) return [...plans];
  const sign = order.down ? -1 : 1;
  const valued = plans.map((plan) => ({ plan, value: column.value(plan, ground) }));
  return valued
    .sort((a, b) => {
      if (a.value === null || b.value === null) {
        return (a.value === null ? 1 : 0) - (b.value === null ? 1 : 0) || a.plan.priceCents - b.plan.priceCents;
      }
      const by =
        typeof a.value === 'number' && typeof b.value === 'number'
          ? a.value - b.value
          : String(a.value).localeCompare(String(b.value), 'en');
      return sign * by || a.plan.priceCents - b.plan.priceCents || planKey(a.plan).localeCompare(planKey(b.plan));
    })
    .map(({ plan }) => plan);
}

/** A cell as CSV has it (RFC 4180); what a spreadsheet would take for a formula is kept a text. */
function cell(value: number | string | null): string {
  if (value === null) return '';
  if (typeof value === 'number') return String(value);
  const safe = /^[=+\-@\t\r]/.test(value) ? `'${value}` : value;
  return /[",\n\r]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
}

/** Plans as CSV with a heading, in the order and with the columns that are shown. */
export function plansCsv(
  t: StaffWords<'options'>,
  plans: readonly Plan[],
  columns: readonly Column[],
  ground: TableGround,
): string {
  const textual = (column: Column) => column.id === 'care' || column.id === 'old';
  const lines = plans.map((plan) =>
    columns.map((column) => cell(textual(column) ? column.text(plan, ground) : column.value(plan, ground))).join(','),
  );
  return `${[columns.map(({ name }) => cell(t(name))).join(','), ...lines].join('\r\n')}\r\n`;
}

'use client';
import { plainMoney } from '@/core/pricing/currency';
import { moneyText } from '@/core/pricing/money-text';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { percentText } from '@/core/pricing/percent-text';
import { type MarkUp, sellPrice } from '@/core/pricing/sell-price';
import { useSave } from '../client/use-save';
import { TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { type Read, readTyped } from '../kit/form/read-typed';
import { useLastRight } from '../kit/form/use-last-right';
import { useTyped } from '../kit/form/use-typed';
import { Notice } from '../kit/notice';
import { endingsText, markUpsText, parseEndings, parseMarkUps } from './price-rule-words';

type Rule = Required<MarkUp>;

interface PriceRuleProps {
  rule: Rule;
  currency: string;
  taxBp: number;
}

/** What such parts usually cost a shop, minor units. */
const EXAMPLES = [500, 1200, 2500, 4990, 5000, 9000, 18_000, 40_000];

interface TypedRule {
  markUps: string;
  least: string;
  roundTo: string;
  endings: string;
}

/** The rule that was typed, or what is wrong with it. */
function readRule(typed: TypedRule, currency: string): Read<TypedRule, Rule> {
  const markUps = parseMarkUps(typed.markUps, currency);
  const leastMarginCents = parseMoneyIn(typed.least, currency) ?? -1;
  const roundUpToCents = parseMoneyIn(typed.roundTo, currency) ?? 0;
  const priceEndings = parseEndings(typed.endings);
  const looked = {
    markUps: markUps === null && 'Type the mark-up as 18 %, or 18 %, from 50.00 12 %.',
    least: leastMarginCents < 0 && 'Type the least margin such as 4.00.',
    roundTo: roundUpToCents <= 0 && 'Type what prices are rounded up to, such as 0.50.',
    endings: priceEndings === null && 'Type the endings as .00 .50 .90, or leave them empty.',
  };
  return readTyped<TypedRule, Rule>(looked, () => ({
    markUpBp: 0,
    markUpSteps: [],
    ...markUps,
    leastMarginCents,
    roundUpToCents,
    priceEndings: priceEndings ?? [],
  }));
}

/** What parts of different costs are sold for under a rule, and what is earned on each. */
function Examples({ rule, currency, taxBp }: PriceRuleProps) {
  return (
    <ol
      aria-label="What it makes of a cost"
      className="grid grid-cols-8 max-[860px]:grid-cols-4 gap-px bg-line border border-line text-sm"
    >
      {EXAMPLES.map((cost) => {
        const sell = sellPrice(cost, rule, taxBp);
        const earned = Math.round((sell * 10_000) / (10_000 + taxBp)) - cost;
        return (
          <li key={cost} className="bg-sheet px-2 py-1.5">
            <span className="block text-ink-2">costs {moneyText(cost, currency)}</span>
            <span className="block font-semibold text-base">{moneyText(sell, currency)}</span>
            <span className="block text-ink-2">
              earns {moneyText(earned, currency)}, {Math.round((earned * 100) / cost)} %
            </span>
          </li>
        );
      })}
    </ol>
  );
}

/** How the shop makes its prices, with what that comes to while it is typed. */
export function PriceRule({ rule, currency, taxBp }: PriceRuleProps) {
  const { save } = useSave();
  const read = (typed: TypedRule) => readRule(typed, currency);
  const typing = useTyped<TypedRule, Rule>({
    from: {
      markUps: markUpsText(rule, currency),
      least: plainMoney(rule.leastMarginCents, currency),
      roundTo: plainMoney(rule.roundUpToCents, currency),
      endings: endingsText(rule.priceEndings),
    },
    read,
    send: (body) => save('PUT', '/api/price-rule', body),
    isLive: true,
  });
  const typed = typing.form.watch();
  const shown = useLastRight(read(typed), rule);
  return (
    <section id="prices" aria-label="Our prices" className="grid gap-2">
      <h2 className="text-base border-b-4 border-edge pb-1">Our prices</h2>
      <Form
        typing={typing}
        className="grid grid-cols-[minmax(0,3fr)_repeat(3,minmax(0,1fr))_auto] max-[860px]:grid-cols-3 gap-2 items-start"
      >
        <TextField name="markUps" label="Mark-up on what a part costs us" className="max-[860px]:col-span-3" />
        <TextField name="least" label="At least" unit={currency} inputMode="decimal" />
        <TextField
          name="roundTo"
          label="Rounded up to"
          unit={currency}
          inputMode="decimal"
          readOnly={typed.endings.trim() !== ''}
        />
        <TextField name="endings" label="Or ending in" placeholder=".00 .50 .90" />
        <Send className="mt-6">Keep it</Send>
      </Form>
      {typing.isSaved && (
        <Notice tone="good" live>
          Kept: the ladder and new quotes go by it. Quotes that are sent keep their prices.
        </Notice>
      )}
      <Examples rule={shown} currency={currency} taxBp={taxBp} />
      <p className="text-sm text-ink-2">
        With {percentText(taxBp)} tax. A step never makes a dearer part the cheaper one.
      </p>
    </section>
  );
}

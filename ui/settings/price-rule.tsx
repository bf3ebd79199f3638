'use client';
import { useState } from 'react';
import { plainMoney } from '@/core/pricing/currency';
import { moneyText } from '@/core/pricing/money-text';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { percentText } from '@/core/pricing/percent-text';
import { type MarkUp, sellPrice } from '@/core/pricing/sell-price';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
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

interface Typed {
  markUps: string;
  least: string;
  roundTo: string;
  endings: string;
}

/** The rule that was typed, or what is wrong with it. */
function ruleOf(typed: Typed, currency: string): { ok: true; rule: Rule } | { ok: false; sentence: string } {
  const markUps = parseMarkUps(typed.markUps, currency);
  if (markUps === null) return { ok: false, sentence: 'Type the mark-up as 18 %, or 18 %, from 50.00 12 %.' };
  const leastMarginCents = parseMoneyIn(typed.least, currency);
  if (leastMarginCents === null || leastMarginCents < 0)
    return { ok: false, sentence: 'Type the least margin such as 4.00.' };
  const roundUpToCents = parseMoneyIn(typed.roundTo, currency);
  if (roundUpToCents === null || roundUpToCents <= 0)
    return { ok: false, sentence: 'Type what prices are rounded up to, such as 0.50.' };
  const priceEndings = parseEndings(typed.endings);
  if (priceEndings === null) return { ok: false, sentence: 'Type the endings as .00 .50 .90, or leave them empty.' };
  return { ok: true, rule: { ...markUps, leastMarginCents, roundUpToCents, priceEndings } };
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
  const { busy, sentence, save } = useSave();
  const [typed, setTyped] = useState<Typed>({
    markUps: markUpsText(rule, currency),
    least: plainMoney(rule.leastMarginCents, currency),
    roundTo: plainMoney(rule.roundUpToCents, currency),
    endings: endingsText(rule.priceEndings),
  });
  const [saved, setSaved] = useState(false);
  const read = ruleOf(typed, currency);
  const [shown, setShown] = useState(rule);
  const set = (field: keyof Typed) => (event: { target: { value: string } }) => {
    const next = { ...typed, [field]: event.target.value };
    setTyped(next);
    setSaved(false);
    const made = ruleOf(next, currency);
    if (made.ok) setShown(made.rule);
  };
  const submit = async () => {
    if (!read.ok) return;
    const result = await save('PUT', '/api/price-rule', read.rule);
    setSaved(result.ok);
  };
  return (
    <section id="prices" aria-label="Our prices" className="grid gap-2">
      <h2 className="text-base border-b-4 border-edge pb-1">Our prices</h2>
      <form
        className="grid grid-cols-[minmax(0,3fr)_repeat(3,minmax(0,1fr))_auto] max-[860px]:grid-cols-3 gap-2 items-end"
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        <Field
          label="Mark-up on what a part costs us"
          value={typed.markUps}
          onChange={set('markUps')}
          className="max-[860px]:col-span-3"
        />
        <Field label="At least" unit={currency} inputMode="decimal" value={typed.least} onChange={set('least')} />
        <Field
          label="Rounded up to"
          unit={currency}
          inputMode="decimal"
          value={typed.roundTo}
          onChange={set('roundTo')}
          disabled={typed.endings.trim() !== ''}
        />
        <Field label="Or ending in" placeholder=".00 .50 .90" value={typed.endings} onChange={set('endings')} />
        <Button weight="act" type="submit" disabled={busy || !read.ok}>
          Keep it
        </Button>
      </form>
      <Fault sentence={read.ok ? sentence : read.sentence} />
      {saved && (
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

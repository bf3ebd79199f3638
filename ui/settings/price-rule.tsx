'use client';
import { useTranslations } from '#translations';
import { plainMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { percentText } from '@/core/pricing/percent-text';
import { type MarkUp, sellPrice } from '@/core/pricing/sell-price';
import type { StaffWords } from '@/words/staff-words';
import { useSave } from '../client/use-save';
import { TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { type Read, readTyped } from '../kit/form/read-typed';
import { Saved } from '../kit/form/saved';
import { useLastRight } from '../kit/form/use-last-right';
import { useTyped } from '../kit/form/use-typed';
import { moneyText } from '../words/amounts';
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
function readRule(t: StaffWords<'settings'>, typed: TypedRule, currency: string): Read<TypedRule, Rule> {
  const markUps = parseMarkUps(typed.markUps, currency);
  const leastMarginCents = parseMoneyIn(typed.least, currency) ?? -1;
  const roundUpToCents = parseMoneyIn(typed.roundTo, currency) ?? 0;
  const priceEndings = parseEndings(typed.endings);
  const looked = {
    markUps: markUps === null && t('prices.faults.markUp'),
    least: leastMarginCents < 0 && t('prices.faults.least'),
    roundTo: roundUpToCents <= 0 && t('prices.faults.round'),
    endings: priceEndings === null && t('prices.faults.endings'),
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
  const t = useTranslations('settings');
  return (
    <ol
      aria-label={t('prices.example')}
      className="grid grid-cols-8 max-[860px]:grid-cols-4 gap-px bg-line border border-line text-sm"
    >
      {EXAMPLES.map((cost) => {
        const sell = sellPrice(cost, rule, taxBp);
        const earned = Math.round((sell * 10_000) / (10_000 + taxBp)) - cost;
        return (
          <li key={cost} className="bg-sheet px-2 py-1.5">
            <span className="block text-ink-2">{t('prices.costs', { cost: moneyText(cost, currency) })}</span>
            <span className="block font-semibold text-base">{moneyText(sell, currency)}</span>
            <span className="block text-ink-2">
              {t('prices.earns', { earned: moneyText(earned, currency), value: Math.round((earned * 100) / cost) })}
            </span>
          </li>
        );
      })}
    </ol>
  );
}

/** How the shop makes its prices, with what that comes to while it is typed. */
export function PriceRuleSection({ rule, currency, taxBp }: PriceRuleProps) {
  const t = useTranslations('settings');
  const { save } = useSave();
  const read = (typed: TypedRule) => readRule(t, typed, currency);
  const typing = useTyped<TypedRule, Rule>({
    from: {
      markUps: markUpsText(t, rule, currency),
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
    <section id="prices" aria-label={t('prices.title')} className="grid gap-2">
      <h2 className="text-base border-b-4 border-edge pb-1">{t('prices.title')}</h2>
      <Form
        typing={typing}
        className="grid grid-cols-[minmax(0,3fr)_repeat(3,minmax(0,1fr))_auto] max-[860px]:grid-cols-3 gap-2 items-start"
      >
        <TextField name="markUps" label={t('prices.markUp')} className="max-[860px]:col-span-3" />
        <TextField name="least" label={t('prices.least')} unit={currency} inputMode="decimal" />
        <TextField
          name="roundTo"
          label={t('prices.round')}
          unit={currency}
          inputMode="decimal"
          readOnly={typed.endings.trim() !== ''}
        />
        <TextField name="endings" label={t('prices.endings')} placeholder=".00 .50 .90" />
        <Send weight="plain" className="mt-6">
          {t('save')}
        </Send>
      </Form>
      <Saved typing={typing}>{t('prices.saved')}</Saved>
      <Examples rule={shown} currency={currency} taxBp={taxBp} />
      <p className="text-sm text-ink-2">{t('prices.what', { taxBp: percentText(taxBp) })}</p>
    </section>
  );
}

'use client';
import { useState } from 'react';
import { billOf, TAX_ROUNDINGS, TAX_WAYS, type TaxRounding, type TaxWay } from '@/core/pricing/bill';
import type { Charges as Charged } from '@/core/pricing/charges';
import { labourFor } from '@/core/pricing/labour';
import { moneyText } from '@/core/pricing/money-text';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Field, INPUT_LOOK } from '../kit/field';
import { Notice } from '../kit/notice';
import { readCharges, typedCharges } from './charges-words';

const WAY_WORDS: Record<TaxWay, string> = { contained: 'hold the tax', added: 'are without tax, it is added' };
const ROUNDING_WORDS: Record<TaxRounding, string> = { total: 'once for each rate', line: 'for each line' };

const EXAMPLE_MINUTES = [10, 25, 50, 95];
const EXAMPLE_PART = 5990;

/** What these charges make of some machines. */
function Examples({ charges, currency }: { charges: Charged; currency: string }) {
  const rule = {
    flatCents: charges.labourCents,
    hourCents: charges.labourHourCents,
    leastCents: charges.labourLeastCents,
    stepMinutes: charges.labourStepMinutes,
  };
  const money = (minor: number) => moneyText(minor, currency);
  return (
    <ol
      aria-label="What they make of some machines"
      className="grid grid-cols-5 max-[860px]:grid-cols-2 gap-px bg-line border border-line text-sm"
    >
      {[null, ...EXAMPLE_MINUTES].map((minutes) => {
        const labour = labourFor(rule, minutes);
        const bill = billOf(
          [
            { minor: EXAMPLE_PART, taxBp: charges.taxBp },
            { minor: labour.cents, taxBp: charges.labourTaxBp ?? charges.taxBp },
          ],
          charges,
        );
        return (
          <li key={minutes} className="bg-sheet px-2 py-1.5">
            <span className="block text-ink-2">
              {minutes === null ? 'minutes not known' : `opened in ${minutes} minutes`}
            </span>
            <span className="block font-semibold text-base">work {money(labour.cents)}</span>
            <span className="block text-ink-2">
              with a part at {money(EXAMPLE_PART)}: {money(bill.grossMinor)}, tax {money(bill.taxMinor)}
            </span>
          </li>
        );
      })}
    </ol>
  );
}

/** What the shop asks for work, how it taxes, and how long its prices hold, with what that comes to while it is typed. */
export function Charges({ charges, currency }: { charges: Charged; currency: string }) {
  const { busy, sentence, save } = useSave();
  const [typed, setTyped] = useState(() => typedCharges(charges, currency));
  const [shown, setShown] = useState(charges);
  const [saved, setSaved] = useState(false);
  const read = readCharges(typed, currency);
  const set = (field: keyof Charged) => (event: { target: { value: string } }) => {
    const next = { ...typed, [field]: event.target.value };
    setTyped(next);
    setSaved(false);
    const made = readCharges(next, currency);
    if (made.ok) setShown(made.charges);
  };
  const submit = async () => {
    if (!read.ok) return;
    setSaved((await save('PUT', '/api/charges', read.charges)).ok);
  };
  const choice = <T extends string>(
    label: string,
    field: 'taxWay' | 'taxRounding',
    all: readonly T[],
    words: Record<T, string>,
  ) => (
    <label className="col-span-3 text-sm font-medium text-ink-2 grid gap-0.5">
      {label}
      <select className={INPUT_LOOK} value={typed[field]} onChange={set(field)}>
        {all.map((one) => (
          <option key={one} value={one}>
            {words[one]}
          </option>
        ))}
      </select>
    </label>
  );
  const rate = (label: string, field: keyof Charged, placeholder = 'as parts') => (
    <Field
      label={label}
      unit="%"
      inputMode="decimal"
      placeholder={placeholder}
      className="col-span-2"
      value={typed[field]}
      onChange={set(field)}
    />
  );
  return (
    <section aria-label="Work and tax" className="grid gap-2">
      <h2 className="text-base border-b-4 border-edge pb-1">Work and tax</h2>
      <form
        className="grid grid-cols-12 max-[860px]:grid-cols-4 gap-2 items-end"
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        <Field
          label="Work, flat"
          unit={currency}
          className="col-span-3"
          value={typed.labourCents}
          onChange={set('labourCents')}
        />
        <Field
          label="Or by the hour"
          unit={currency}
          placeholder="always flat"
          className="col-span-3"
          value={typed.labourHourCents}
          onChange={set('labourHourCents')}
        />
        <Field
          label="but at least"
          unit={currency}
          className="col-span-3"
          value={typed.labourLeastCents}
          onChange={set('labourLeastCents')}
        />
        <Field
          label="in steps of"
          unit="minutes"
          className="col-span-3"
          value={typed.labourStepMinutes}
          onChange={set('labourStepMinutes')}
        />
        {choice('Our prices', 'taxWay', TAX_WAYS, WAY_WORDS)}
        {choice('Tax is rounded', 'taxRounding', TAX_ROUNDINGS, ROUNDING_WORDS)}
        <Field
          label="Prices hold for"
          unit="days"
          className="col-span-3"
          value={typed.validityDays}
          onChange={set('validityDays')}
        />
        <span className="col-span-3 max-[860px]:hidden" />
        {rate('Tax on parts', 'taxBp', '')}
        {rate('on work', 'labourTaxBp')}
        {rate('on fees', 'feeTaxBp')}
        {rate('on credits', 'creditTaxBp')}
        <Button type="submit" disabled={busy || !read.ok} className="col-span-2">
          Keep it
        </Button>
      </form>
      <Examples charges={shown} currency={currency} />
      <Fault sentence={read.ok ? sentence : read.sentence} />
      {saved && <Notice tone="good">Kept: what is sent keeps its figures, everything else goes by these.</Notice>}
    </section>
  );
}

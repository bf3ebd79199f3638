'use client';
import { billOf, TAX_ROUNDINGS, TAX_WAYS, type TaxRounding, type TaxWay } from '@/core/pricing/bill';
import type { Charges as Charged } from '@/core/pricing/charges';
import { labourFor } from '@/core/pricing/labour';
import { moneyText } from '@/core/pricing/money-text';
import { useSave } from '../client/use-save';
import { ChoiceField, TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { useLastRight } from '../kit/form/use-last-right';
import { useTyped } from '../kit/form/use-typed';
import { Notice } from '../kit/notice';
import { readCharges, type TypedCharges, typedCharges } from './charges-words';

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
  const { save } = useSave();
  const read = (typed: TypedCharges) => readCharges(typed, currency);
  const typing = useTyped<TypedCharges, Charged>({
    from: typedCharges(charges, currency),
    read,
    send: (body) => save('PUT', '/api/charges', body),
    isLive: true,
  });
  const shown = useLastRight(read(typing.form.watch()), charges);
  return (
    <section aria-label="Work and tax" className="grid gap-2">
      <h2 className="text-base border-b-4 border-edge pb-1">Work and tax</h2>
      <Form typing={typing} className="grid grid-cols-12 max-[860px]:grid-cols-4 gap-2 items-start">
        <WorkFields currency={currency} />
        <ChoiceField name="taxWay" label="Our prices" className="col-span-3" options={choices(TAX_WAYS, WAY_WORDS)} />
        <ChoiceField
          name="taxRounding"
          label="Tax is rounded"
          className="col-span-3"
          options={choices(TAX_ROUNDINGS, ROUNDING_WORDS)}
        />
        <TextField name="validityDays" label="Prices hold for" unit="days" className="col-span-3" />
        <span className="col-span-3 max-[860px]:hidden" />
        <RateField name="taxBp" label="Tax on parts" placeholder="" />
        <RateField name="labourTaxBp" label="on work" />
        <RateField name="feeTaxBp" label="on fees" />
        <RateField name="creditTaxBp" label="on credits" />
        <Send weight="plain" className="col-span-2 self-end">
          Keep it
        </Send>
      </Form>
      <Examples charges={shown} currency={currency} />
      {typing.isSaved && (
        <Notice tone="good">Kept: what is sent keeps its figures, everything else goes by these.</Notice>
      )}
    </section>
  );
}

const choices = <T extends string>(all: readonly T[], words: Record<T, string>) =>
  all.map((value) => ({ value, text: words[value] }));

function WorkFields({ currency }: { currency: string }) {
  return (
    <>
      <TextField name="labourCents" label="Work, flat" unit={currency} className="col-span-3" />
      <TextField
        name="labourHourCents"
        label="Or by the hour"
        unit={currency}
        placeholder="always flat"
        className="col-span-3"
      />
      <TextField name="labourLeastCents" label="but at least" unit={currency} className="col-span-3" />
      <TextField name="labourStepMinutes" label="in steps of" unit="minutes" className="col-span-3" />
    </>
  );
}

/** A tax rate; empty, it is as for parts. */
function RateField({ name, label, placeholder = 'as parts' }: { name: string; label: string; placeholder?: string }) {
  return (
    <TextField
      name={name}
      label={label}
      unit="%"
      inputMode="decimal"
      placeholder={placeholder}
      className="col-span-2"
    />
  );
}

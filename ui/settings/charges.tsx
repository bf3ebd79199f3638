'use client';
import { useTranslations } from '#translations';
import { billOf, TAX_ROUNDINGS, TAX_WAYS, type TaxRounding, type TaxWay } from '@/core/pricing/bill';
import type { Charges } from '@/core/pricing/charges';
import { labourFor } from '@/core/pricing/labour';
import { useSave } from '../client/use-save';
import { ChoiceField, TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { Saved } from '../kit/form/saved';
import { useLastRight } from '../kit/form/use-last-right';
import { useTyped } from '../kit/form/use-typed';
import { moneyText } from '../words/amounts';
import { readCharges, type TypedCharges, typedCharges } from './charges-words';

const WAY_WORDS = { contained: 'charges.contained', added: 'charges.added' } as const satisfies Record<TaxWay, string>;
const ROUNDING_WORDS = { total: 'charges.perRate', line: 'charges.perLine' } as const satisfies Record<
  TaxRounding,
  string
>;

const EXAMPLE_MINUTES = [10, 25, 50, 95];
const EXAMPLE_PART = 5990;

/** What these charges make of some machines. */
function Examples({ charges, currency }: { charges: Charges; currency: string }) {
  const t = useTranslations('settings');
  const rule = {
    flatCents: charges.labourCents,
    hourCents: charges.labourHourCents,
    leastCents: charges.labourLeastCents,
    stepMinutes: charges.labourStepMinutes,
  };
  const money = (minor: number) => moneyText(minor, currency);
  return (
    <ol
      aria-label={t('charges.example')}
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
              {minutes === null ? t('charges.noMinutes') : t('charges.opened', { minutes })}
            </span>
            <span className="block font-semibold text-base">{t('charges.work', { cents: money(labour.cents) })}</span>
            <span className="block text-ink-2">
              {t('charges.withPart', {
                EXAMPLE_PART: money(EXAMPLE_PART),
                grossMinor: money(bill.grossMinor),
                taxMinor: money(bill.taxMinor),
              })}
            </span>
          </li>
        );
      })}
    </ol>
  );
}

/** What the shop asks for work, how it taxes, and how long its prices hold, with what that comes to while it is typed. */
export function ChargesSection({ charges, currency }: { charges: Charges; currency: string }) {
  const t = useTranslations('settings');
  const { save } = useSave();
  const read = (typed: TypedCharges) => readCharges(t, typed, currency);
  const typing = useTyped<TypedCharges, Charges>({
    from: typedCharges(charges, currency),
    read,
    send: (body) => save('PUT', '/api/charges', body),
    isLive: true,
  });
  const shown = useLastRight(read(typing.form.watch()), charges);
  return (
    <section id="charges" aria-label={t('charges.title')} className="grid gap-2">
      <h2 className="text-base border-b-4 border-edge pb-1">{t('charges.title')}</h2>
      <Form typing={typing} className="grid grid-cols-12 max-[860px]:grid-cols-4 gap-2 items-start">
        <WorkFields currency={currency} />
        <ChoiceField
          name="taxWay"
          label={t('charges.prices')}
          className="col-span-3"
          options={TAX_WAYS.map((value) => ({ value, text: t(WAY_WORDS[value]) }))}
        />
        <ChoiceField
          name="taxRounding"
          label={t('charges.rounded')}
          className="col-span-3"
          options={TAX_ROUNDINGS.map((value) => ({ value, text: t(ROUNDING_WORDS[value]) }))}
        />
        <TextField name="validityDays" label={t('charges.valid')} unit={t('days')} className="col-span-3" />
        <TextField name="invoiceDays" label={t('charges.invoiceDays')} unit={t('days')} className="col-span-3" />
        <RateField name="taxBp" label={t('charges.onParts')} placeholder="" />
        <RateField name="labourTaxBp" label={t('charges.onWork')} />
        <RateField name="feeTaxBp" label={t('charges.onFees')} />
        <RateField name="creditTaxBp" label={t('charges.onCredits')} />
        <Send weight="plain" className="col-span-2 self-end">
          {t('save')}
        </Send>
      </Form>
      <Saved typing={typing}>{t('charges.saved')}</Saved>
      <Examples charges={shown} currency={currency} />
    </section>
  );
}

function WorkFields({ currency }: { currency: string }) {
  const t = useTranslations('settings');
  return (
    <>
      <TextField name="labourCents" label={t('charges.flat')} unit={currency} className="col-span-3" />
      <TextField
        name="labourHourCents"
        label={t('charges.hourly')}
        unit={currency}
        placeholder={t('charges.alwaysFlat')}
        className="col-span-3"
      />
      <TextField name="labourLeastCents" label={t('charges.minimum')} unit={currency} className="col-span-3" />
      <TextField
        name="labourStepMinutes"
        label={t('charges.steps')}
        unit={t('charges.minutes')}
        className="col-span-3"
      />
    </>
  );
}

/** A tax rate; empty, it is as for parts. */
function RateField({ name, label, placeholder }: { name: string; label: string; placeholder?: string }) {
  const t = useTranslations('settings');
  return (
    <TextField
      name={name}
      label={label}
      unit="%"
      inputMode="decimal"
      placeholder={placeholder ?? t('charges.asParts')}
      className="col-span-2"
    />
  );
}

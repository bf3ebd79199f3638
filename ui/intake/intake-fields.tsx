'use client';
import { type ChangeEvent, useState } from 'react';
import { useTranslations } from '#translations';
import { parseCapacity } from '@/core/memory/parse-capacity';
import { shortMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import type { StaffWords } from '@/words/staff-words';
import { useKeptText } from '../client/use-kept-text';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Field } from '../kit/field';
import { capacityText } from '../words/amounts';
import { ClashChoice } from './clash-choice';
import { usePut } from './use-put';

type Parsed = { ok: true; value: string | number | string[] | null } | { ok: false; sentence: string };
type Parse = (text: string) => Parsed;

export const plain: Parse = (text) => ({ ok: true, value: text.trim() });

export const capacity = (t: StaffWords<'intake'>, text: string): Parsed => {
  if (text.trim() === '') return { ok: true, value: null };
  const mib = parseCapacity(text);
  return mib === null ? { ok: false, sentence: t('faults.size') } : { ok: true, value: mib };
};

const money =
  (t: StaffWords<'intake'>, currency: string): Parse =>
  (text) => {
    if (text.trim() === '') return { ok: true, value: null };
    const cents = parseMoneyIn(text, currency);
    return cents === null || cents <= 0 ? { ok: false, sentence: t('faults.amount') } : { ok: true, value: cents };
  };

/** One Intake field: kept while it is typed, saved when it is left. */
export function useIntakeField(
  name: string,
  saved: string,
  parse: Parse,
  show: (value: unknown) => string = (value) => String(value ?? ''),
) {
  const { job } = useJob();
  const putting = usePut();
  const [text, setText, letGo] = useKeptText(`fenbrik.intake.${job.id}.${name}`, saved);
  const [wrong, setWrong] = useState<string | null>(null);
  const commit = async (now = text) => {
    const parsed = parse(now);
    if (!parsed.ok) {
      setWrong(parsed.sentence);
      return;
    }
    setWrong(null);
    if (now === saved) {
      letGo();
      return;
    }
    const result = await putting.put({ [name]: parsed.value });
    if (result.ok) letGo();
  };
  return {
    input: {
      value: text,
      onChange: (event: ChangeEvent<HTMLInputElement | HTMLTextAreaElement>) => setText(event.target.value),
      onBlur: () => void commit(),
    },
    error: wrong ?? putting.sentence,
    putting: {
      ...putting,
      settle: async (whose: 'mine' | 'theirs') => {
        await putting.settle(whose);
        letGo();
        // The page shows what stays once it is drawn again; here it stands at once.
        const stays = whose === 'theirs' ? putting.clash?.theirs[name] : undefined;
        if (stays !== undefined) setText(show(stays));
      },
    },
    put: (next: string) => {
      setText(next);
      void commit(next);
    },
  };
}

export function IntakeTextField({
  name,
  label,
  saved,
  type,
  autoComplete,
  scan,
}: {
  name: string;
  label: string;
  saved: string;
  type?: string;
  autoComplete?: string;
  /** what of a scanned code goes into it */
  scan?: 'serial';
}) {
  const { input, error, putting } = useIntakeField(name, saved, plain);
  return (
    <div>
      <Field
        label={label}
        type={type ?? 'text'}
        autoComplete={autoComplete ?? 'off'}
        data-scan={scan}
        {...input}
        error={error}
      />
      <ClashChoice putting={putting} />
    </div>
  );
}

/** Where the customer is: few papers have to say it, so it is folded away. */
function AddressFields() {
  const t = useTranslations('intake');
  const { job } = useJob();
  const { street, postalCode, town, country, taxNumber } = job.customer;
  return (
    <details>
      <summary className="cursor-pointer text-sm w-fit min-h-6 underline underline-offset-4 decoration-edge">
        {[street, town].filter(Boolean).join(', ') || t('address.title')}
      </summary>
      <div className="grid grid-cols-2 gap-2.5 pt-1.5">
        <div className="col-span-2">
          <IntakeTextField key={`street ${street}`} name="street" label={t('address.street')} saved={street} />
        </div>
        <IntakeTextField
          key={`code ${postalCode}`}
          name="postalCode"
          label={t('address.postalCode')}
          saved={postalCode}
        />
        <IntakeTextField key={`town ${town}`} name="town" label={t('address.town')} saved={town} />
        <IntakeTextField key={`country ${country}`} name="country" label={t('address.country')} saved={country} />
        <IntakeTextField key={`tax ${taxNumber}`} name="taxNumber" label={t('address.taxNumber')} saved={taxNumber} />
      </div>
    </details>
  );
}

export function CustomerFields() {
  const t = useTranslations('intake');
  const { job } = useJob();
  const { name, phone, email } = job.customer;
  return (
    <fieldset className="grid gap-2.5">
      <legend className="text-base font-semibold wide mb-1">{t('who')}</legend>
      <IntakeTextField key={`name ${name}`} name="customerName" label={t('name')} saved={name} />
      <div className="grid grid-cols-2 gap-2.5">
        <IntakeTextField key={`phone ${phone}`} name="phone" label={t('phone')} saved={phone} type="tel" />
        <IntakeTextField key={`email ${email}`} name="email" label={t('email')} saved={email} type="email" />
      </div>
      <AddressFields />
    </fieldset>
  );
}

const TARGETS = ['8 GB', '16 GB', '32 GB', '64 GB'] as const;

/** A size as it is typed; empty: none. */
export const sizeText = (value: unknown): string => (typeof value === 'number' ? capacityText(value) : '');

/** The target; on Intake with the usual sizes ready. */
export function NeedField({ chips }: { chips: boolean }) {
  const t = useTranslations('intake');
  const { job } = useJob();
  const need = useIntakeField('needMiB', sizeText(job.needMiB), (text) => capacity(t, text), sizeText);
  return (
    <div>
      <Field label={t('need')} placeholder={t('open')} {...need.input} error={need.error} />
      <ClashChoice putting={need.putting} text={(value) => sizeText(value) || t('nothing')} />
      {chips && (
        <div className="flex flex-wrap gap-1 mt-1">
          {TARGETS.map((target) => (
            <Button
              key={target}
              weight="quiet"
              onClick={() => need.put(target)}
              aria-label={t('needAtLeast', { target })}
            >
              {target}
            </Button>
          ))}
        </div>
      )}
    </div>
  );
}

/** What the machine's maker asks for a total, where the customer was told: what is saved against it is said on the quote. */
export function MakerAsksFields() {
  const t = useTranslations('intake');
  const { job } = useJob();
  const { totalMiB, cents } = job.makerAsks;
  const amount = (value: unknown) => (typeof value === 'number' ? shortMoney(value, job.currency) : '');
  const total = useIntakeField('makerTotalMiB', sizeText(totalMiB), (text) => capacity(t, text), sizeText);
  const asked = useIntakeField('makerCents', amount(cents), money(t, job.currency), amount);
  return (
    <>
      <div>
        <Field
          label={t('asks.price')}
          inputMode="decimal"
          placeholder={t('asks.unknown')}
          unit={job.currency}
          {...asked.input}
          error={asked.error}
        />
        <ClashChoice putting={asked.putting} text={(value) => amount(value) || t('nothing')} />
      </div>
      <div>
        <Field label={t('asks.total')} placeholder="32 GB" {...total.input} error={total.error} />
        <ClashChoice putting={total.putting} text={(value) => sizeText(value) || t('nothing')} />
      </div>
    </>
  );
}

/** The ceiling on what the customer pays, with fitting and tax. */
export function BudgetField({ hint }: { hint: boolean }) {
  const t = useTranslations('intake');
  const { job } = useJob();
  const amount = (value: unknown) => (typeof value === 'number' ? shortMoney(value, job.currency) : '');
  const budget = useIntakeField('budgetCents', amount(job.budgetCents), money(t, job.currency), amount);
  return (
    <div>
      <Field
        label={t('budget')}
        inputMode="decimal"
        placeholder={t('open')}
        unit={job.currency}
        {...budget.input}
        error={budget.error}
        {...(hint ? { hint: t('budgetHint') } : {})}
      />
      <ClashChoice putting={budget.putting} text={(value) => amount(value) || t('nothing')} />
    </div>
  );
}

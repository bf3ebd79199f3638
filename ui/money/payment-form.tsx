'use client';
import { useTranslations } from '#translations';
import { PAYMENT_WAYS, type PaymentWay } from '@/core/invoicing/invoice';
import { plainMoney } from '@/core/pricing/currency';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { ChoiceField, TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { readTyped } from '../kit/form/read-typed';
import { useTyped } from '../kit/form/use-typed';

interface TypedPayment {
  amount: string;
  on: string;
  way: PaymentWay;
  note: string;
}

interface PaymentFormProps {
  /** what is due, minor units */
  dueCents: number;
  onDone: () => void;
}

/** What a customer pays, noted with its day: what is due stands there already. */
export function PaymentForm({ dueCents, onDone }: PaymentFormProps) {
  const t = useTranslations('money');
  const { job } = useJob();
  const { save } = useSave();
  const typing = useTyped<TypedPayment, object>({
    from: { amount: dueCents > 0 ? plainMoney(dueCents, job.currency) : '', on: job.today, way: 'card', note: '' },
    read: ({ amount, on, way, note }) => {
      const cents = parseMoneyIn(amount, job.currency) ?? 0;
      const looked = { amount: cents < 1 && t('faults.amount'), on: on === '' && t('faults.day') };
      return readTyped<TypedPayment, object>(looked, () => ({ cents, on, way, note: note.trim() }));
    },
    send: async (body) => {
      const result = await save('POST', `/api/jobs/${job.id}/payments`, body);
      if (result.ok) onDone();
      return result;
    },
  });
  return (
    <Form
      typing={typing}
      label={t('payments.note')}
      box="border-2 border-act bg-sheet rounded-notch px-3 py-2 basis-full"
      className="flex flex-wrap gap-2 items-end has-[[aria-invalid]]:items-start"
    >
      <TextField
        name="amount"
        label={t('payments.amount')}
        unit={job.currency}
        inputMode="decimal"
        className="w-36"
        autoFocus
      />
      <TextField name="on" label={t('payments.on')} type="date" max={job.today} className="w-40" />
      <ChoiceField
        name="way"
        label={t('payments.way')}
        className="w-36"
        options={PAYMENT_WAYS.map((way) => ({ value: way, text: t(`ways.${way}`) }))}
      />
      <TextField name="note" label={t('payments.words')} className="flex-1 min-w-40" maxLength={200} />
      <Send className="min-h-9">{t('payments.save')}</Send>
      <Button weight="quiet" onClick={onDone}>
        {t('cancel')}
      </Button>
    </Form>
  );
}

'use client';
import { useEffect, useRef, useState } from 'react';
import { useTranslations } from '#translations';
import { LANGUAGE_NAMES, LANGUAGES } from '@/core/language';
import type { QuoteTerms } from '@/core/quoting/terms-schema';
import { useSave } from '../client/use-save';
import { usePut } from '../intake/use-put';
import { useJob } from '../job/job-context';
import { ChoiceField, TextAreaField, TextField } from '../kit/form/fields';
import { Form } from '../kit/form/form';
import { useTyped } from '../kit/form/use-typed';
import { readTerms, type TypedTerms, typedTerms } from './terms-words';

/** Terms, and what is the customer's and known again with the next job. */
type Typed = TypedTerms & { exempt: string };

/** What is agreed beside the lines, to be changed. */
export function TermsForm({ onDone }: { onDone: () => void }) {
  const t = useTranslations('quote');
  const { job } = useJob();
  const { save } = useSave();
  const putting = usePut();
  const { taxExempt, language } = job.customer;
  const [seen] = useState(job.terms);
  const typing = useTyped<Typed, QuoteTerms>({
    from: {
      ...typedTerms(job.terms, job.currency),
      language: job.terms.language ?? language ?? '',
      exempt: taxExempt ?? '',
    },
    read: (typed) => readTerms(t, typed, { currency: job.currency, extras: seen.extras }),
    send: async (terms, { exempt }) => {
      const patch = {
        ...(exempt.trim() !== (taxExempt ?? '') && { taxExempt: exempt.trim() || null }),
        ...(terms.language !== language && { language: terms.language }),
      };
      const kept = Object.keys(patch).length > 0 ? await putting.put(patch) : null;
      if (kept?.ok === false) return kept;
      const result = await save('PUT', `/api/jobs/${job.id}/terms`, { terms: { ...terms, language: null }, seen });
      if (result.ok) onDone();
      return result;
    },
  });
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    place.current?.scrollIntoView({ block: 'nearest' });
  }, []);
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: Escape in any of its fields leaves the form
    <div ref={place} onKeyDown={(event) => event.key === 'Escape' && onDone()}>
      <Form
        typing={typing}
        label={t('terms.form')}
        box="bg-sheet border-2 border-act rounded-notch px-4 py-3"
        className="grid gap-3 grid-cols-12 items-end has-[[aria-invalid]]:items-start max-[860px]:grid-cols-4"
        action={t('terms.save')}
        leave={t('cancel')}
        onLeave={onDone}
      >
        <TextField
          name="discount"
          label={t('terms.discountLabel')}
          placeholder={t('terms.discountExample')}
          className="col-span-2"
          autoFocus
        />
        <TextField
          name="reason"
          label={t('terms.reason')}
          placeholder={t('terms.reasonHint')}
          className="col-span-4"
          maxLength={120}
        />
        <TextField
          name="deposit"
          label={t('terms.depositLabel')}
          placeholder={t('terms.depositExample')}
          className="col-span-2"
        />
        <TextField name="validUntil" label={t('terms.untilLabel')} type="date" className="col-span-2" min={job.today} />
        <ChoiceField
          name="language"
          label={t('terms.customerLanguage')}
          className="col-span-2"
          options={[
            { value: '', text: t('terms.usual') },
            ...LANGUAGES.map((one) => ({ value: one, text: LANGUAGE_NAMES[one] })),
          ]}
        />
        <TextField
          name="exempt"
          label={t('terms.exempt')}
          placeholder={t('terms.exemptHint')}
          className="col-span-6 max-[860px]:col-span-4"
          maxLength={120}
        />
        <TextAreaField
          name="note"
          label={t('terms.noteLabel')}
          className="col-span-12 max-[860px]:col-span-4"
          maxLength={1000}
        />
      </Form>
    </div>
  );
}

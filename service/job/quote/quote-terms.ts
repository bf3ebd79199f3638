import { z } from 'zod';
import { overwritten } from '../../../core/overwritten';
import { faultOfOptions } from '../../../core/quoting/option';
import { validityFault } from '../../../core/quoting/terms';
import { lineEditSchema, termsSchema } from '../../../core/quoting/terms-schema';
import { openDraft, putChoice, putTerms } from '../../../store/job/quotes';
import { done, fault, type Result, writtenMeanwhile } from '../../result';
import { textsIn } from '../../shop/shop-texts';
import type { Caller } from '../../staff/access';
import { changeJob } from '../change-job';
import { draftOptions } from '../options/draft-options';
import type { JobWith } from '../slices/slice';
import { languageOf } from './job-pricing';

/** What speaks against the draft's options as they would be; those that cannot be had are for the slip to say. */
function faultOfDraft(state: JobWith<'quote' | 'market'>): string | null {
  return faultOfOptions(draftOptions(state).flatMap((one) => (one.ok ? [one.option] : [])));
}

/** Terms as they are sent, and those that the sender saw: anyone who writes over somebody else's is told. */
export const writeTermsSchema = z.strictObject({ terms: termsSchema, seen: termsSchema.nullable().default(null) });

/** Writes what holds for the whole draft: discount, fees, deposit, last day, language, a word to the customer. */
export async function writeTerms(
  caller: Caller<'jobs.write'>,
  jobId: number,
  { terms, seen }: z.infer<typeof writeTermsSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'quote-terms-changed',
    detail: { terms },
    needs: ['quote', 'market'],
    work: async (db, state) => {
      if (seen !== null && JSON.stringify(termsSchema.parse(seen)) !== JSON.stringify(termsSchema.parse(state.terms)))
        return fault('conflict', 'Somebody changed these terms meanwhile: look at them, then change them again.');
      const language = languageOf(state.shop, state.job, terms);
      const texts = language === state.language ? state.texts : await textsIn(db, language);
      const wrong = validityFault(terms.validUntil, state.today) ?? faultOfDraft({ ...state, terms, language, texts });
      if (wrong !== null) return fault('bad-input', wrong);
      const draft = await openDraft(db, jobId);
      await putTerms(db, draft.id, terms);
      return done(null);
    },
  });
}

/** A line of an option by its name, and what is typed over it; nothing of either: it is as computed again. */
export const writeLineSchema = lineEditSchema.extend({
  key: z.string().min(1).max(80),
  /** what the writer saw typed over it; null: nothing was */
  seen: lineEditSchema.nullable().default(null),
});

const NOTHING_TYPED = { text: null, eachCents: null };

/** Types over a line of an option, or takes back what was typed. */
export async function writeLine(
  caller: Caller<'jobs.write'>,
  jobId: number,
  place: number,
  { key, text = null, eachCents = null, seen }: z.input<typeof writeLineSchema>,
): Promise<Result<null>> {
  return changeJob(caller, jobId, {
    kind: 'quote-line-changed',
    detail: { place, key, text, eachCents },
    needs: ['quote', 'market'],
    work: async (db, state) => {
      const choice = state.draft?.choices.find((one) => one.place === place);
      if (state.draft === null || choice === undefined)
        return fault('conflict', 'This option is no longer in the draft quote.');
      const { [key]: before, ...others } = choice.edits ?? {};
      const theirs =
        seen === undefined
          ? null
          : overwritten({ ...NOTHING_TYPED, ...before }, { ...NOTHING_TYPED, ...seen }, { text, eachCents });
      if (theirs !== null) return writtenMeanwhile(theirs);
      const edits = text === null && eachCents === null ? others : { ...others, [key]: { text, eachCents } };
      const choices = state.draft.choices.map((one) => (one.place === place ? { ...one, edits } : one));
      const next = { ...state, draft: { ...state.draft, choices } };
      const option = draftOptions(next).find((one) => one.place === place);
      const isLine = option?.ok === true && option.option.shop.computed?.some((line) => line.key === key);
      if (before === undefined && !isLine) return fault('not-found', 'This option has no such line any more.');
      const wrong = faultOfDraft(next);
      if (wrong !== null) return fault('bad-input', wrong);
      await putChoice(db, state.draft.id, { ...choice, edits });
      return done(null);
    },
  });
}

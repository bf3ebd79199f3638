import { z } from 'zod';
import { LANGUAGES, type Language } from '../language';

/** So many usual lines a shop has at most. */
export const MOST_USUAL_LINES = 40;

const words = z.string().trim().max(120, 'At most 120 letters, please.');

/** A line that a shop adds to quotes time and again: diagnosis, cleaning, data moved, a drive. */
export const usualLineSchema = z.strictObject({
  /** its words by the language of the customer's paper; empty or absent: as in another */
  texts: z
    .strictObject(
      Object.fromEntries(LANGUAGES.map((one) => [one, words.optional()])) as Record<
        Language,
        z.ZodOptional<typeof words>
      >,
    )
    .refine((texts) => Object.values(texts).some((text) => (text ?? '') !== ''), 'A line needs a text.'),
  /** as the shop's prices are, minor units */
  cents: z.number().int().min(1, 'A line costs more than 0.').max(100_000_000, 'This is more than any quote costs.'),
  /** hundredths of a percent; null: as the shop's fees are taxed */
  taxBp: z.number().int().min(0).max(10_000, 'A tax rate is at most 100 %.').nullable(),
});
export type UsualLine = z.infer<typeof usualLineSchema>;

/** The words of a usual line in a language; where there are none, in the shop's, or in any. */
export const textOfUsual = ({ texts }: Pick<UsualLine, 'texts'>, language: Language, shop: Language): string =>
  [texts[language], texts[shop], ...Object.values(texts)].find((text) => (text ?? '') !== '') ?? '';

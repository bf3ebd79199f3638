/** A field, or one within a list of the form: `fees.2.amount`. */
type FieldName<Typed> = (keyof Typed & string) | `${keyof Typed & string}.${string}`;

/** What is wrong with what was typed: a sentence for each field, by its name. */
export type Wrong<Typed> = Partial<Record<FieldName<Typed>, string>>;
export type Read<Typed, Sent> = { ok: true; value: Sent } | { ok: false; wrong: Wrong<Typed> };

/**
 * What was typed as it is sent, or what is wrong with it.
 *
 * @param looked a sentence for each field that is wrong; false, null or nothing for those that are right
 * @param value makes what is sent: asked only where nothing is wrong
 */
export function readTyped<Typed, Sent>(
  looked: Partial<Record<FieldName<Typed>, string | false | null>>,
  value: () => Sent,
): Read<Typed, Sent> {
  const wrong = Object.entries(looked).filter(([, sentence]) => typeof sentence === 'string');
  return wrong.length === 0
    ? { ok: true, value: value() }
    : { ok: false, wrong: Object.fromEntries(wrong) as Wrong<Typed> };
}

/** A whole number as it is typed, from 0 to what so many digits say; null: it is none. */
export const wholeTyped = (text: string, digits = 5): number | null =>
  new RegExp(`^\\d{1,${digits}}$`).test(text.trim()) ? Number(text) : null;

/** Is there anything in the field? */
export const isTyped = (text: string): boolean => text.trim() !== '';

'use client';
import { useState } from 'react';
import { type DefaultValues, type FieldPath, type FieldValues, type UseFormReturn, useForm } from 'react-hook-form';
import type { Called } from '../../client/session-guard';

/** What is wrong with what was typed: a sentence for each field, by its name. */
export type Wrong<Typed extends FieldValues> = Partial<Record<FieldPath<Typed>, string>>;
export type Read<Typed extends FieldValues, Sent> = { ok: true; value: Sent } | { ok: false; wrong: Wrong<Typed> };

/** A form as it is typed. */
export interface Typing<Typed extends FieldValues> {
  form: UseFormReturn<Typed>;
  busy: boolean;
  /** what is wrong with the whole, in one sentence */
  sentence: string | null;
  submit: () => Promise<void>;
}

interface Form<Typed extends FieldValues, Sent> {
  /** what stands in the fields at first */
  from: Typed;
  /** what was typed as it is sent, or what is wrong with it */
  read: (typed: Typed) => Read<Typed, Sent>;
  /** sends it; a refusal may name the field that it is about */
  send: (value: Sent, typed: Typed) => Promise<Called<unknown> | undefined>;
}

/**
 * A form: fields hold text until it is sent. What is wrong stands at its field from the first try on and goes as it is put
 * right; the focus goes to the first. What the server refuses stands at the field that it names, or below the whole.
 */
export function useTyped<Typed extends FieldValues, Sent>({ from, read, send }: Form<Typed, Sent>): Typing<Typed> {
  const [sentence, setSentence] = useState<string | null>(null);
  const form = useForm<Typed, unknown, Typed>({
    defaultValues: from as DefaultValues<Typed>,
    resolver: (typed) => {
      const result = read(typed);
      if (result.ok) return { values: typed, errors: {} };
      const errors = Object.entries(result.wrong).map(([name, message]) => [name, { type: 'typed', message }]);
      return { values: {}, errors: Object.fromEntries(errors) };
    },
  });
  const submit = form.handleSubmit(async (typed) => {
    const result = read(typed);
    if (!result.ok) return;
    const answer = await send(result.value, typed);
    if (answer === undefined || answer.ok) {
      setSentence(null);
      return;
    }
    const { at, sentence } = answer;
    const known = at !== undefined && at in typed;
    if (known) form.setError(at as FieldPath<Typed>, { type: 'refused', message: sentence }, { shouldFocus: true });
    setSentence(known ? null : sentence);
  });
  return { form, busy: form.formState.isSubmitting, sentence, submit: () => submit() };
}

'use client';
import { useState } from 'react';
import {
  type DefaultValues,
  type FieldPath,
  type FieldValues,
  set,
  type UseFormReturn,
  useForm,
} from 'react-hook-form';
import type { Called } from '../../client/session-guard';
import type { Read } from './read-typed';

/** A form as it is typed. */
export interface Typing<Typed extends FieldValues> {
  form: UseFormReturn<Typed>;
  busy: boolean;
  /** has something been typed that is not sent? */
  isDirty: boolean;
  /** was it sent, and nothing typed since? */
  isSaved: boolean;
  /** what is wrong with the whole, in one sentence */
  sentence: string | null;
  submit: () => Promise<void>;
  /** does something else that the form offers, such as taking away what it is about */
  act: (work: () => Promise<Called<unknown> | undefined>) => Promise<void>;
}

interface Form<Typed extends FieldValues, Sent> {
  /** what stands in the fields at first */
  from: Typed;
  /** what was typed as it is sent, or what is wrong with it */
  read: (typed: Typed) => Read<Typed, Sent>;
  /** sends it; a refusal may name the field that it is about */
  send: (value: Sent, typed: Typed) => Promise<Called<unknown> | undefined>;
  /** what stands in the fields once it is sent; left out: what was typed */
  next?: Typed;
  /** is what is wrong said as it is typed, and not only when it is sent? */
  isLive?: boolean;
}

/**
 * A form: fields hold text until it is sent. What is wrong stands at its field from the first try on and goes as it is put
 * right; the focus goes to the first. What the server refuses stands at the field that it names, or below the whole.
 */
export function useTyped<Typed extends FieldValues, Sent>({
  from,
  read,
  send,
  next,
  isLive = false,
}: Form<Typed, Sent>): Typing<Typed> {
  const [sentence, setSentence] = useState<string | null>(null);
  const [isActing, setActing] = useState(false);
  const [isSaved, setSaved] = useState(false);
  const form = useForm<Typed, unknown, Typed>({
    defaultValues: from as DefaultValues<Typed>,
    mode: isLive ? 'onChange' : 'onSubmit',
    resolver: (typed) => {
      const result = read(typed);
      if (result.ok) return { values: typed, errors: {} };
      const errors = {};
      for (const [name, message] of Object.entries(result.wrong)) set(errors, name, { type: 'typed', message });
      return { values: {}, errors };
    },
  });
  const { isDirty, isSubmitting } = form.formState;
  const hear = (answer: Called<unknown> | undefined, typed: Typed): void => {
    if (answer === undefined || answer.ok) {
      setSentence(null);
      // What was typed while it was on its way stays, and is not sent yet.
      if (next === undefined) form.reset(typed, { keepValues: true });
      else form.reset(next);
      setSaved(true);
      return;
    }
    setSaved(false);
    const { at } = answer;
    const isKnown = at !== undefined && at in typed;
    if (isKnown)
      form.setError(at as FieldPath<Typed>, { type: 'refused', message: answer.sentence }, { shouldFocus: true });
    setSentence(isKnown ? null : answer.sentence);
  };
  const submit = form.handleSubmit(async (typed) => {
    const result = read(typed);
    if (result.ok) hear(await send(result.value, typed), typed);
  });
  const act = async (work: () => Promise<Called<unknown> | undefined>): Promise<void> => {
    setActing(true);
    hear(await work(), form.getValues());
    setActing(false);
  };
  const busy = isSubmitting || isActing;
  return { form, busy, isDirty, isSaved: isSaved && !isDirty, sentence, submit: () => submit(), act };
}

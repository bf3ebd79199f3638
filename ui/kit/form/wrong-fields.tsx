'use client';
import type { RefObject } from 'react';
import { type FieldError, type FieldErrors, useFormContext } from 'react-hook-form';
import { Notice } from '../notice';

interface WrongField {
  name: string;
  sentence: string;
}

/** What is wrong, a field each, in the order of the form; fields of a list are named with their place in it. */
export function wrongFields(errors: FieldErrors, within = ''): WrongField[] {
  return Object.entries(errors).flatMap(([key, error]): WrongField[] => {
    if (error === undefined || key === 'root') return [];
    const name = within === '' ? key : `${within}.${key}`;
    const { message } = error as FieldError;
    return typeof message === 'string' ? [{ name, sentence: message }] : wrongFields(error as FieldErrors, name);
  });
}

/** What a field is called on the page. */
function labelOf(form: HTMLFormElement | null, name: string): string {
  const field = form?.elements.namedItem(name);
  const [label] = field instanceof HTMLElement && 'labels' in field ? ((field.labels as NodeList | null) ?? []) : [];
  return label?.textContent?.trim() ?? '';
}

/** Where several fields are wrong: all of them in one place, heard at once, each a way to its field. */
export function WrongFields({ form }: { form: RefObject<HTMLFormElement | null> }) {
  const { formState, setFocus } = useFormContext();
  const wrong = wrongFields(formState.errors);
  if (wrong.length < 2) return null;
  return (
    <Notice tone="stop" live>
      <p>{wrong.length} fields need another look:</p>
      <ul className="list-disc ml-5">
        {wrong.map(({ name, sentence }) => (
          <li key={name}>
            <button type="button" className="underline underline-offset-2 text-left" onClick={() => setFocus(name)}>
              {labelOf(form.current, name) || 'Here'}
            </button>
            : {sentence}
          </li>
        ))}
      </ul>
    </Notice>
  );
}

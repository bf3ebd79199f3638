'use client';
import type { RefObject } from 'react';
import { type FieldError, type FieldErrors, useFormContext } from 'react-hook-form';
import { useTranslations } from '#translations';
import { Notice } from '../notice';

/** The names of fields that are wrong, in the order of the form; those within a list have their place in it. */
export function wrongFields(errors: FieldErrors, within = ''): string[] {
  return Object.entries(errors).flatMap(([key, error]): string[] => {
    if (error === undefined || key === 'root') return [];
    const name = within === '' ? key : `${within}.${key}`;
    const isField = typeof (error as FieldError).message === 'string';
    return isField ? [name] : wrongFields(error as FieldErrors, name);
  });
}

/** What a field is called on the page. */
function labelOf(form: HTMLFormElement | null, name: string): string {
  const field = form?.elements.namedItem(name);
  const [label] = field instanceof HTMLElement && 'labels' in field ? ((field.labels as NodeList | null) ?? []) : [];
  return label?.textContent?.trim() ?? '';
}

/** Where several fields are wrong: heard at once, in one place, each a way to its field, which says what is wrong. */
export function WrongFields({ form }: { form: RefObject<HTMLFormElement | null> }) {
  const t = useTranslations('frame');
  const { formState, setFocus } = useFormContext();
  const wrong = wrongFields(formState.errors);
  if (wrong.length < 2) return null;
  return (
    <Notice tone="stop" live>
      {t.rich('wrongFields', {
        wrong: wrong.length,
        value: () =>
          wrong.map((name, nr) => (
            <span key={name}>
              {nr > 0 && ', '}
              <button type="button" className="underline underline-offset-2" onClick={() => setFocus(name)}>
                {labelOf(form.current, name) || t('thisField')}
              </button>
            </span>
          )),
      })}
    </Notice>
  );
}

'use client';
import { type ChangeEvent, type ComponentProps, useRef } from 'react';
import { type FieldError, get, useController, useFormContext } from 'react-hook-form';
import { Check } from '../check';
import { Choice } from '../choice';
import { Field } from '../field';
import { TextArea } from '../text-area';

/** A field of the form that it stands in, by its name there. */
interface Named {
  name: string;
}

type NamedElement = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;

function useNamed(name: string) {
  const { register, formState, setValue } = useFormContext();
  const from: unknown = get(formState.defaultValues, name);
  const isNew = useRef(true);
  const named = register(name);
  // A page stands there before its scripts do: what somebody typed by then is theirs.
  const ref = (element: NamedElement | null) => {
    const before = isNew.current ? element?.value : undefined;
    named.ref(element);
    if (element === null) return;
    isNew.current = false;
    if (before !== undefined && before !== element.value && before !== '')
      setValue(name, before, { shouldDirty: true });
  };
  const error: unknown = (get(formState.errors, name) as FieldError | undefined)?.message;
  return {
    ...named,
    ref,
    // What is typed is the page's own until it is sent: this is what it comes with.
    defaultValue: typeof from === 'string' ? from : undefined,
    error: typeof error === 'string' ? error : null,
  };
}

/** A line of text. */
export function TextField({ name, ...field }: Named & ComponentProps<typeof Field>) {
  return <Field {...field} {...useNamed(name)} />;
}

/** Several lines of text. */
export function TextAreaField({ name, ...field }: Named & ComponentProps<typeof TextArea>) {
  return <TextArea {...field} {...useNamed(name)} />;
}

/** One of a few. */
export function ChoiceField({ name, onChoose, ...field }: Named & Chosen & ComponentProps<typeof Choice>) {
  const named = useNamed(name);
  const change = (event: ChangeEvent<HTMLSelectElement>) => {
    onChoose?.(event.target.value);
    return named.onChange(event);
  };
  return <Choice {...field} {...named} onChange={change} />;
}

interface Chosen {
  /** hears what a person chose */
  onChoose?: (value: string) => void;
}

/** Something that is so or is not. */
export function CheckField({ name, ...field }: Named & Omit<ComponentProps<typeof Check>, 'checked' | 'onChange'>) {
  const { field: own } = useController({ name });
  return <Check {...field} checked={own.value === true} onChange={own.onChange} />;
}

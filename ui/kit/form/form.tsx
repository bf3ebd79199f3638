'use client';
import { type FormEvent, type KeyboardEvent, type ReactNode, useRef } from 'react';
import { type FieldValues, FormProvider, useFormContext } from 'react-hook-form';
import { useTranslations } from '#translations';
import { Button } from '../button';
import { Fault } from '../fault';
import type { Typing } from './use-typed';
import { WrongFields } from './wrong-fields';

interface FormProps<Typed extends FieldValues> {
  typing: Typing<Typed>;
  /** what the button that sends it says; left out: one stands among the fields */
  action?: ReactNode;
  /** what the button that leaves it says */
  leave?: string;
  /** without it nothing leaves the form */
  onLeave?: () => void;
  /** how the fields stand */
  className?: string;
  /** how the form itself looks, where it is more than its fields */
  box?: string;
  label?: string;
  /** other actions, at the left of those of the form */
  beside?: ReactNode;
  children: ReactNode;
}

interface SendProps {
  className?: string;
  weight?: 'act' | 'plain';
  children: ReactNode;
}

/** Fields with their actions: Enter in a line and Ctrl+Enter anywhere send it. */
export function Form<Typed extends FieldValues>(props: FormProps<Typed>) {
  const t = useTranslations('frame');
  const {
    typing,
    action,
    leave = t('cancel'),
    onLeave,
    className = 'grid gap-3',
    box = '',
    label,
    beside,
    children,
  } = props;
  const element = useRef<HTMLFormElement>(null);
  const send = (event: FormEvent) => {
    event.preventDefault();
    // A sheet over a form stands inside it for React: what it sends is not sent by the form below.
    event.stopPropagation();
    if (!typing.busy) void typing.submit();
  };
  const press = (event: KeyboardEvent) => {
    if (event.key !== 'Enter' || !(event.ctrlKey || event.metaKey)) return;
    event.preventDefault();
    element.current?.requestSubmit();
  };
  return (
    <FormProvider {...typing.form}>
      <form
        ref={element}
        noValidate
        aria-label={label}
        data-dirty={typing.isDirty || undefined}
        onSubmit={send}
        onKeyDown={press}
        className={`grid gap-3 ${box}`}
      >
        <div className={className}>{children}</div>
        <WrongFields form={element} />
        <Fault sentence={typing.sentence} />
        {action !== undefined && (
          <div className="flex flex-wrap justify-end items-center gap-2">
            {beside !== undefined && beside !== false && <span className="mr-auto flex flex-wrap gap-2">{beside}</span>}
            {onLeave !== undefined && <Button onClick={onLeave}>{leave}</Button>}
            <Send>{action}</Send>
          </div>
        )}
      </form>
    </FormProvider>
  );
}

/** Sends the form that it stands in. */
export function Send({ className, weight = 'act', children }: SendProps) {
  const { formState } = useFormContext();
  return (
    <Button weight={weight} type="submit" disabled={formState.isSubmitting} className={className}>
      {children}
    </Button>
  );
}

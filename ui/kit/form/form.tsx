'use client';
import { type FormEvent, type KeyboardEvent, type ReactNode, useRef } from 'react';
import { type FieldValues, FormProvider } from 'react-hook-form';
import { Button } from '../button';
import { Fault } from '../fault';
import type { Typing } from './use-typed';
import { WrongFields } from './wrong-fields';

interface FormProps<Typed extends FieldValues> {
  typing: Typing<Typed>;
  /** what the button that sends it says */
  action: string;
  /** what the button that leaves it says; without it there is none */
  leave?: string;
  onLeave?: () => void;
  /** how the fields stand */
  className?: string;
  label?: string;
  /** other actions, before those of the form */
  beside?: ReactNode;
  children: ReactNode;
}

/** Fields with their actions: Enter in a field and Ctrl+Enter anywhere send it. */
export function Form<Typed extends FieldValues>(props: FormProps<Typed>) {
  const { typing, action, leave = 'Cancel', onLeave, className = 'grid gap-3', label, beside, children } = props;
  const element = useRef<HTMLFormElement>(null);
  const send = (event: FormEvent) => {
    event.preventDefault();
    // A sheet over a form is not inside it: what it sends is not sent by the form below.
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
      <form ref={element} noValidate aria-label={label} onSubmit={send} onKeyDown={press} className="grid gap-3">
        <div className={className}>{children}</div>
        <WrongFields form={element} />
        <Fault sentence={typing.sentence} />
        <div className="flex flex-wrap justify-end items-center gap-2">
          {beside}
          {onLeave !== undefined && <Button onClick={onLeave}>{leave}</Button>}
          <Button weight="act" type="submit" disabled={typing.busy}>
            {action}
          </Button>
        </div>
      </form>
    </FormProvider>
  );
}

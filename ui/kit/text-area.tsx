import { type Ref, type TextareaHTMLAttributes, useId } from 'react';
import { INPUT_LOOK, Said } from './field';

interface TextAreaProps extends TextareaHTMLAttributes<HTMLTextAreaElement> {
  label: string;
  error?: string | null;
  hint?: string;
  ref?: Ref<HTMLTextAreaElement>;
}

/** Several labelled lines of input; what is wrong stands under them in one sentence. */
export function TextArea({ label, error = null, hint, className = '', ...area }: TextAreaProps) {
  const id = useId();
  const said = error ?? hint;
  return (
    <div className={className}>
      <label htmlFor={id} className="block text-sm font-medium text-ink-2 mb-0.5">
        {label}
      </label>
      <textarea
        rows={2}
        {...area}
        id={id}
        className={INPUT_LOOK}
        aria-invalid={error !== null || undefined}
        aria-describedby={said === undefined ? undefined : `${id}-said`}
      />
      <Said id={`${id}-said`} error={error} hint={hint} />
    </div>
  );
}

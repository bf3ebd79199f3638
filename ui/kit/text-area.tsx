import { type Ref, type TextareaHTMLAttributes, useId } from 'react';
import { INPUT_LOOK } from './field';

interface TextAreaProps extends TextareaHTMLAttributes<HTMLTextAreaElement> {
  label: string;
  error?: string | null;
  ref?: Ref<HTMLTextAreaElement>;
}

/** Several labelled lines of input; what is wrong stands under them in one sentence. */
export function TextArea({ label, error = null, className = '', ...area }: TextAreaProps) {
  const id = useId();
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
        aria-describedby={error === null ? undefined : `${id}-said`}
      />
      {error !== null && (
        <p id={`${id}-said`} role="alert" className="text-sm mt-0.5 text-stop font-medium">
          {error}
        </p>
      )}
    </div>
  );
}

import { type Ref, type SelectHTMLAttributes, useId } from 'react';
import { INPUT_LOOK, Said } from './field';

interface ChoiceProps extends Omit<SelectHTMLAttributes<HTMLSelectElement>, 'children'> {
  label: string;
  options: readonly { value: string; text: string }[];
  error?: string | null;
  ref?: Ref<HTMLSelectElement>;
}

/** One of a few, as the platform's own list. */
export function Choice({ label, options, error = null, className = '', ...select }: ChoiceProps) {
  const id = useId();
  return (
    <div className={className}>
      <label htmlFor={id} className="block text-sm font-medium text-ink-2 mb-0.5">
        {label}
      </label>
      <select
        {...select}
        id={id}
        className={INPUT_LOOK}
        aria-invalid={error !== null || undefined}
        aria-describedby={error === null ? undefined : `${id}-said`}
      >
        {options.map(({ value, text }) => (
          <option key={value} value={value}>
            {text}
          </option>
        ))}
      </select>
      <Said id={`${id}-said`} error={error} />
    </div>
  );
}

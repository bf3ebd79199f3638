import { type SelectHTMLAttributes, useId } from 'react';
import { INPUT_LOOK } from './field';

interface ChoiceProps extends Omit<SelectHTMLAttributes<HTMLSelectElement>, 'children'> {
  label: string;
  options: readonly { value: string; text: string }[];
}

/** One of a few, as the platform's own list. */
export function Choice({ label, options, className = '', ...select }: ChoiceProps) {
  const id = useId();
  return (
    <div className={className}>
      <label htmlFor={id} className="block text-sm font-medium text-ink-2 mb-0.5">
        {label}
      </label>
      <select {...select} id={id} className={INPUT_LOOK}>
        {options.map(({ value, text }) => (
          <option key={value} value={value}>
            {text}
          </option>
        ))}
      </select>
    </div>
  );
}

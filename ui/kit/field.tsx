import { type InputHTMLAttributes, type ReactNode, type Ref, useId } from 'react';

export const INPUT_LOOK =
  'w-full min-h-9 rounded-notch border border-edge bg-sheet px-2.5 py-1.5 text-base text-ink placeholder:text-ink-2 aria-invalid:border-stop aria-invalid:border-2';

interface FieldProps extends InputHTMLAttributes<HTMLInputElement> {
  label: string;
  /** after the field, inside its line: a unit */
  unit?: ReactNode;
  error?: string | null;
  hint?: string;
  ref?: Ref<HTMLInputElement>;
}

/** A labelled line of input; what is wrong stands under it in one sentence. */
export function Field({ label, unit, error = null, hint, className = '', ...input }: FieldProps) {
  const id = useId();
  const said = error ?? hint;
  return (
    <div className={className}>
      <label htmlFor={id} className="block text-sm font-medium text-ink-2 mb-0.5">
        {label}
      </label>
      <div className="flex items-center gap-2">
        <input
          {...input}
          id={id}
          className={INPUT_LOOK}
          aria-invalid={error !== null || undefined}
          aria-describedby={said === undefined ? undefined : `${id}-said`}
        />
        {unit !== undefined && <span className="text-sm text-ink-2 shrink-0">{unit}</span>}
      </div>
      {said !== undefined && (
        <p
          id={`${id}-said`}
          role={error === null ? undefined : 'alert'}
          className={`text-sm mt-0.5 ${error === null ? 'text-ink-2' : 'text-stop font-medium'}`}
        >
          {said}
        </p>
      )}
    </div>
  );
}

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

/** Under a field: what is wrong with it in one sentence, else its hint. */
export function Said({ id, error, hint }: { id: string; error: string | null; hint?: string | undefined }) {
  if (error !== null)
    return (
      <p id={id} role="alert" className="text-sm mt-0.5 text-stop font-medium">
        {error}
      </p>
    );
  return hint === undefined ? null : (
    <p id={id} className="text-sm mt-0.5 text-ink-2">
      {hint}
    </p>
  );
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
      <Said id={`${id}-said`} error={error} hint={hint} />
    </div>
  );
}

'use client';
import { parsePercent } from '@/core/pricing/parse-percent';
import { Field } from '../kit/field';

interface PercentFieldProps {
  label: string;
  unit: string;
  hint?: string;
  className: string;
  value: string;
  onType: (typed: string) => void;
}

/** A percentage as a rule of the shop has one. */
export function PercentField({ value, onType, ...shown }: PercentFieldProps) {
  return (
    <Field
      {...shown}
      inputMode="decimal"
      value={value}
      onChange={(event) => onType(event.target.value)}
      error={parsePercent(value) === null ? 'Type a percentage from 0 to 100, such as 5.' : null}
    />
  );
}

import { useRef, useState } from 'react';
import { useTranslations } from '#translations';
import { Field } from '../../kit/field';

interface TypedProps<T> {
  label: string;
  /** what stands behind it, such as `mm` */
  unit?: string;
  className: string;
  value: T | null;
  text: (value: T | null) => string;
  /** undefined: it is none */
  parse: (text: string) => T | null | undefined;
  wrong: string;
  onChange: (value: T | null, live: boolean) => void;
}

/** A line that is typed: the picture follows each letter that makes sense. */
export function Typed<T>({ label, className, value, text, parse, wrong, onChange }: TypedProps<T>) {
  const t = useTranslations('options');
  const [typed, setTyped] = useState<string | null>(null);
  const before = useRef(value);
  const shown = typed ?? text(value);
  const read = parse(shown);
  const leave = () => {
    if (read === undefined) return;
    if (typed !== null) onChange(read, false);
    setTyped(null);
  };
  return (
    <Field
      label={label}
      className={className}
      placeholder={t('open')}
      value={shown}
      onChange={(event) => {
        if (typed === null) before.current = value;
        setTyped(event.target.value);
        const now = parse(event.target.value);
        if (now !== undefined) onChange(now, true);
      }}
      onBlur={leave}
      onKeyDown={(event) => {
        if (event.key === 'Enter') leave();
        if (event.key === 'Escape' && typed !== null) {
          setTyped(null);
          onChange(before.current, false);
        }
      }}
      error={read === undefined ? wrong : null}
    />
  );
}

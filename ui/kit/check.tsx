import type { ReactNode } from 'react';

interface CheckProps {
  checked: boolean;
  onChange: (checked: boolean) => void;
  className?: string;
  children: ReactNode;
}

/** Something that is so or is not. */
export function Check({ checked, onChange, className = '', children }: CheckProps) {
  return (
    <label className={`flex items-center gap-2 text-sm ${className}`}>
      <input
        type="checkbox"
        className="size-4 accent-act"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
      />
      {children}
    </label>
  );
}

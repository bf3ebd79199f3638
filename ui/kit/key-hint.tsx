/** The key that does what a button does. */
export function KeyHint({ of }: { of: string }) {
  return (
    <span aria-hidden="true" className="px-1 border border-current rounded-notch text-xs font-semibold">
      {of}
    </span>
  );
}

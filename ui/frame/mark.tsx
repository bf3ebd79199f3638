/** Our mark: a module stood on its edge, with its notch. */
export function Mark({ size = 22 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 24 24" aria-hidden="true">
      <path d="M1 5h22v11h-9v3h-4v-3H1z" fill="none" />
      <path d="M1 4h22v12H14.5v-2.5h-4V16H1z" className="fill-board" />
      <rect x="4" y="7" width="4" height="4" className="fill-board-ink" />
      <rect x="10" y="7" width="4" height="4" className="fill-board-ink" />
      <rect x="16" y="7" width="4" height="4" className="fill-board-ink" />
      <path d="M2 18h7M16 18h6" className="stroke-contact" strokeWidth="3" strokeDasharray="1.6 1" />
    </svg>
  );
}

interface ProgressBarProps {
  /** what is under way, for those who do not see the bar */
  label: string;
  /** how much of it is done, 0 to 1; null: nobody knows */
  share: number | null;
}

/** How far work has come that a person waits for. */
export function ProgressBar({ label, share }: ProgressBarProps) {
  return (
    <progress
      className="block w-full h-3 my-1 appearance-none border border-edge bg-sunk [&::-webkit-progress-bar]:bg-sunk [&::-webkit-progress-value]:bg-act [&::-moz-progress-bar]:bg-act"
      aria-label={label}
      max={share === null ? undefined : 1}
      value={share ?? undefined}
    />
  );
}

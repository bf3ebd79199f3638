import { Notice } from './notice';

/** What went wrong, said at once; nothing where nothing did. */
export function Fault({ sentence }: { sentence: string | null }) {
  if (sentence === null) return null;
  return (
    <Notice tone="stop" live>
      {sentence}
    </Notice>
  );
}

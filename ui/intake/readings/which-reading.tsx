import type { SaidKind } from '@/core/reading/read';
import { Button } from '../../kit/button';

interface WhichReadingProps {
  either: readonly { as: SaidKind; line: string }[];
  busy: boolean;
  onSay: (as: SaidKind) => void;
}

const WORDS: Record<SaidKind, { head: string; button: string }> = {
  listing: { head: 'One module', button: 'It is one module' },
  specification: { head: 'What the machine takes', button: 'It is what the machine takes' },
};

/** A text of which two readings are possible, side by side: a person says which is meant. */
export function WhichReading({ either, busy, onSay }: WhichReadingProps) {
  return (
    <section aria-label="What is this text?" className="border-2 border-act bg-sheet rounded-notch px-3 py-2.5">
      <p className="font-semibold mb-2">What is this text?</p>
      <div className="grid grid-cols-2 gap-3 max-[700px]:grid-cols-1">
        {either.map(({ as, line }) => (
          <div key={as} className="border-l-4 border-line pl-3 grid gap-1 content-between justify-items-start">
            <div>
              <p className="text-sm text-ink-2">{WORDS[as].head}</p>
              <p className="font-medium">{line}</p>
            </div>
            <Button disabled={busy} onClick={() => onSay(as)}>
              {WORDS[as].button}
            </Button>
          </div>
        ))}
      </div>
    </section>
  );
}

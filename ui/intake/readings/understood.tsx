import { readListing } from '@/core/reading/listing/listing';
import { markedTitle } from '@/core/reading/listing/marked-title';
import { read } from '@/core/reading/read';
import { readingLine } from '@/core/reading/reading-line';

/** Longer lines are reports: they are not marked while they are typed. */
const LONGEST = 300;

/** Is this line a label or a seller's title, so that what it says can be marked at once? */
export function isTitle(text: string): boolean {
  const line = text.trim();
  if (line === '' || line.length > LONGEST || line.includes('\n')) return false;
  const result = read(line);
  return result.ok && result.reading.format === 'listing';
}

/** A label or title as it is typed: what was understood is marked, with what it says; what contradicts itself is named. */
export function Understood({ text }: { text: string }) {
  const title = text.trim();
  const reading = readListing(title);
  return (
    <div className="border-l-4 border-line pl-3 py-0.5">
      <p className="leading-8">
        {markedTitle(title, reading.facts ?? []).map(({ text: piece, start, says }) =>
          says.length === 0 ? (
            <span key={start} className="text-ink-2">
              {piece}
            </span>
          ) : (
            <mark
              key={start}
              title={says.join(', ')}
              className="bg-act-soft text-ink border-b-2 border-act px-0.5 font-medium"
            >
              {piece}
            </mark>
          ),
        )}
      </p>
      <p className="text-sm">{readingLine(reading)}</p>
      {reading.warnings.map((warning) => (
        <p key={warning} className="text-sm text-mind">
          △ {warning}
        </p>
      ))}
    </div>
  );
}

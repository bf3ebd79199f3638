import { useTranslations } from '#translations';
import type { Fact, SlotFacts } from '@/core/machine/slots/slot-facts';

/** Everyone who says something of the slot, in the order they first come up. */
function sourcesOf(values: readonly Fact[]): string[] {
  return [...new Set(values.flatMap(({ by, also, against }) => [by, ...also, ...against.map((one) => one.by)]))];
}

/** What one source says of a value: that it holds, the same, something else, or nothing. */
function Word({ fact, source }: { fact: Fact; source: string }) {
  const t = useTranslations('board');
  const other = fact.against.find(({ by }) => by === source);
  if (other !== undefined) {
    return (
      <td className="px-1.5 text-mind font-semibold whitespace-nowrap">
        ≠ <span>{other.text}</span>
      </td>
    );
  }
  const says = fact.by === source ? t('saysIt') : fact.also.includes(source) ? t('saysSame') : null;
  return (
    <td className="px-1.5">
      {says !== null && (
        <>
          <span aria-hidden="true" className={fact.by === source ? 'font-bold' : 'text-ink-2'}>
            {fact.by === source ? '●' : '○'}
          </span>
          <span className="sr-only">{says}</span>
        </>
      )}
    </td>
  );
}

/** Everything that is known of a slot and from whom: a row a value, a column a source. */
export function FactsList({ facts }: { facts: SlotFacts }) {
  const sources = sourcesOf(facts.values);
  return (
    <div className="text-sm grid gap-1.5">
      <p>{facts.place.charAt(0).toUpperCase() + facts.place.slice(1)}</p>
      {facts.values.length > 0 && (
        <table>
          <thead>
            <tr className="border-b border-line text-left align-bottom">
              <td />
              <td />
              {sources.map((source) => (
                <th key={source} scope="col" className="px-1.5 font-medium max-w-28 break-words leading-tight pb-1">
                  {source}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {facts.values.map((fact) => (
              <tr key={fact.label} className="leading-6">
                <th scope="row" className="text-left font-normal text-ink-2 pr-2 whitespace-nowrap">
                  {fact.label}
                </th>
                <td className="font-semibold pr-2">{fact.text}</td>
                {sources.map((source) => (
                  <Word key={source} fact={fact} source={source} />
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}

import { NOTHING_KNOWN } from '@/core/machine/models/nothing-known';
import type { KnownModule } from '@/core/machine/slots/job-slot';
import { knownOf } from '@/core/machine/slots/slots-of-reading';
import { looksLikeListing, readListing } from '@/core/reading/listing/listing';
import { readingLine } from '@/core/reading/reading-line';

/** A label or title as a module; null where it is none. */
export function moduleOfLabel(text: string): { module: KnownModule; line: string } | null {
  const line = text.trim().split('\n')[0]?.trim() ?? '';
  if (line === '' || line.length > 300 || !looksLikeListing(line)) return null;
  const reading = readListing(line);
  const { module } = reading;
  if (module === undefined || module.capacityMiB === null) return null;
  return { module: { ...NOTHING_KNOWN, ...knownOf(module) }, line: readingLine(reading) };
}

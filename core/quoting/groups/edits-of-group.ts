import type { QuoteOption } from '../snapshot';
import type { LineEdits } from '../terms-schema';
import { groupOfKey } from './line-key';

/** What was typed over the lines of one group of a joined option, by the lines' names within the group. Money in minor units. */
export function editsOfGroup({ lines, shop }: QuoteOption, jobId: number): LineEdits {
  const edits: LineEdits = {};
  for (const [nr, computed] of (shop.computed ?? []).entries()) {
    const line = lines[nr];
    const group = groupOfKey(computed.key);
    if (line === undefined || group?.jobId !== jobId) continue;
    const text = line.text === computed.text ? null : line.text;
    const eachCents = line.eachCents === computed.eachCents ? null : line.eachCents;
    if (text !== null || eachCents !== null) edits[group.key] = { text, eachCents };
  }
  return edits;
}

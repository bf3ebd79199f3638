import type { LimitName, LimitValue } from '../core/machine/limits/limit';
import type { CLAIM_SOURCES, ModelInput } from '../core/machine/models/model';

/* How the demo shop's models are written down. */

type SlotInput = NonNullable<ModelInput['slots']>[number];
type TrialInput = NonNullable<ModelInput['trials']>[number];

/** `A1 B1 A2 B2` as slots: a letter for the channel, a number for the bank; `A2=1` has that name on the lid's label. */
export function sockets(names: string, more: Partial<SlotInput> = {}): SlotInput[] {
  return names.split(' ').map((written) => {
    const [name = '', lidName = null] = written.split('=');
    return { name, channel: name.slice(0, 1), bank: Number(name.slice(1)), lidName, ...more };
  });
}

/** What one source claims, limit by limit. */
export type Words = { [Name in LimitName]?: LimitValue<Name> };

export function said(kind: (typeof CLAIM_SOURCES)[number], name: string, words: Words, note = '') {
  return Object.entries(words).map(([limit, value]) => ({
    limit: limit as LimitName,
    value: value as unknown,
    source: { kind, name, note, on: '2026-02-10' },
  }));
}

/** A trial that worked, unless it says otherwise. */
export function tried(
  on: string,
  trial: Omit<TrialInput, 'on' | 'outcome'> & Partial<Pick<TrialInput, 'outcome'>>,
): TrialInput {
  return { outcome: 'works', ...trial, on };
}

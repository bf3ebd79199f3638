import { TEMPLATE_NAMES, TEMPLATES, type TemplateName } from '@/core/machine/models/templates';
import type { Generation } from '@/core/memory/generation';
import { parseCapacity } from '@/core/memory/parse-capacity';
import { isTyped, type Read, readTyped } from '../kit/form/read-typed';
import { type PastedSpecification, takenClaims } from '../limits/specification-picker';
import type { NamedModel } from '../offers/offer-typed';

export const SAID_BY = [
  { value: 'maker-page', text: 'the maker’s page' },
  { value: 'board-manual', text: 'the board’s manual' },
  { value: 'lid-label', text: 'the label in the lid' },
  { value: 'technician', text: 'I know it' },
] as const;

/** A model that is being made by hand. */
export interface NewModelTyped {
  maker: string;
  name: string;
  year: string;
  kind: 'template' | 'copy' | 'specification';
  template: TemplateName;
  generation: Generation;
  sister: readonly NamedModel[];
  pasted: PastedSpecification | null;
  module: string;
  total: string;
  saidBy: (typeof SAID_BY)[number]['value'];
}

export const NO_MODEL: NewModelTyped = {
  maker: '',
  name: '',
  year: '',
  kind: 'template',
  template: 'laptop',
  generation: 'DDR4',
  sister: [],
  pasted: null,
  module: '',
  total: '',
  saidBy: 'maker-page',
};

export const TEMPLATE_OPTIONS = TEMPLATE_NAMES.map((value) => ({ value, text: TEMPLATES[value].text }));

/** A size; null: nothing is typed; undefined: it is none. */
const sizeTyped = (text: string): number | null | undefined =>
  isTyped(text) ? (parseCapacity(text) ?? undefined) : null;

/** What the new model starts from, with who said its limits. */
function startOf({ kind, template, generation, sister, pasted, saidBy, module, total }: NewModelTyped): object {
  if (kind === 'specification')
    return {
      from: { kind, text: pasted?.text ?? '' },
      claims: pasted === null ? [] : takenClaims(pasted),
      said: pasted?.source,
    };
  const said = SAID_BY.find(({ value }) => value === saidBy) ?? SAID_BY[0];
  return {
    from: kind === 'template' ? { kind, template, generation } : { kind, modelId: sister[0]?.id },
    moduleMiB: sizeTyped(module),
    totalMiB: sizeTyped(total),
    said: { kind: said.value, name: said.text },
  };
}

/** The model as it is sent, or what is wrong with what was typed. */
export function readNewModel(typed: NewModelTyped): Read<NewModelTyped, object> {
  const { maker, name, year, kind, sister, pasted, module, total } = typed;
  const noSize = 'Enter a size such as 16 GB, or nothing.';
  const isByHand = kind !== 'specification';
  const looked = {
    maker: !isTyped(maker) && 'Enter the maker.',
    name: !isTyped(name) && 'Enter the model’s name.',
    year: !/^\d{4}$/.test(year.trim()) && 'Enter the year it came out, such as 2019.',
    sister: kind === 'copy' && sister.length === 0 && 'Choose the model to copy.',
    pasted: kind === 'specification' && pasted === null && 'Paste the specification.',
    module: isByHand && sizeTyped(module) === undefined && noSize,
    total: isByHand && sizeTyped(total) === undefined && noSize,
  };
  return readTyped<NewModelTyped, object>(looked, () => ({
    maker: maker.trim(),
    name: name.trim(),
    yearFrom: Number(year),
    ...startOf(typed),
  }));
}

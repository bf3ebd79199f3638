import { TEMPLATE_NAMES, TEMPLATES, type TemplateName } from '@/core/machine/models/templates';
import type { Generation } from '@/core/memory/generation';
import { parseCapacity } from '@/core/memory/parse-capacity';
import type { StaffWords } from '@/words/staff-words';
import { isTyped, type Read, readTyped } from '../kit/form/read-typed';
import { type PastedSpecification, takenClaims } from '../limits/specification-picker';
import type { PickedModel } from '../offers/offer-typed';

export const SAID_BY = [
  { value: 'maker-page', text: 'sources.page' },
  { value: 'board-manual', text: 'sources.manual' },
  { value: 'lid-label', text: 'sources.lid' },
  { value: 'technician', text: 'sources.own' },
] as const;

/** A model that is being made by hand. */
export interface NewModelTyped {
  maker: string;
  name: string;
  year: string;
  kind: 'template' | 'copy' | 'specification';
  template: TemplateName;
  generation: Generation;
  sister: readonly PickedModel[];
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
function startOf(
  t: StaffWords<'models'>,
  { kind, template, generation, sister, pasted, saidBy, module, total }: NewModelTyped,
): object {
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
    said: { kind: said.value, name: t(said.text) },
  };
}

/** The model as it is sent, or what is wrong with what was typed. */
export function readNewModel(t: StaffWords<'models'>, typed: NewModelTyped): Read<NewModelTyped, object> {
  const { maker, name, year, kind, sister, pasted, module, total } = typed;
  const noSize = t('faults.size');
  const isByHand = kind !== 'specification';
  const looked = {
    maker: !isTyped(maker) && t('faults.maker'),
    name: !isTyped(name) && t('faults.name'),
    year: !/^\d{4}$/.test(year.trim()) && t('faults.since'),
    sister: kind === 'copy' && sister.length === 0 && t('faults.copy'),
    pasted: kind === 'specification' && pasted === null && t('faults.specification'),
    module: isByHand && sizeTyped(module) === undefined && noSize,
    total: isByHand && sizeTyped(total) === undefined && noSize,
  };
  return readTyped<NewModelTyped, object>(looked, () => ({
    maker: maker.trim(),
    name: name.trim(),
    yearFrom: Number(year),
    ...startOf(t, typed),
  }));
}

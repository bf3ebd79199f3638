import { TEMPLATE_NAMES, TEMPLATES, type TemplateName } from '../machine/models/templates';
import { EDGE_GENERATIONS, type Generation } from '../memory/generation';
import { parseCapacity } from '../memory/parse-capacity';
import type { MovedColumns } from './columns';
import { cellOf, type MovedRow } from './moved-row';

/** A model as a former program told it: the usual board that it is made of, and what it says beyond. Capacity MiB. */
export interface MovedModel {
  line: number;
  maker: string;
  name: string;
  yearFrom: number;
  template: TemplateName;
  generation: Generation;
  moduleMiB: number | null;
  totalMiB: number | null;
}

const LAPTOP = /so-?dimm|laptop|notebook|portable|ordinateur portable|portatil|portátil|portatile/i;

/** The usual board of so many slots; null: there is none. */
function usualBoard(form: string, slots: number): TemplateName | null {
  const wanted = LAPTOP.test(form) ? 'SO-DIMM' : 'DIMM';
  return (
    TEMPLATE_NAMES.find((name) => {
      const { form: has, channels, perChannel } = TEMPLATES[name];
      return has === wanted && channels * perChannel === slots;
    }) ?? null
  );
}

/** A capacity of a cell, MiB; null: nothing is told; `undefined`: it is none. */
const capacityOf = (text: string): number | null | undefined =>
  text === '' ? null : (parseCapacity(text) ?? undefined);

/** Reads a model: maker, name, year, generation and how many slots it has must be told. */
export function movedModel(cells: readonly string[], columns: MovedColumns, line: number): MovedRow<MovedModel> {
  const refused = (sentence: string) => ({ ok: false, line, sentence }) as const;
  const maker = cellOf(cells, columns, 'maker', 80);
  const name = cellOf(cells, columns, 'model', 120);
  if (maker === '' || name === '') return refused('it does not name a maker and a model');
  const yearFrom = Number(/(?:19[89]|20\d)\d/.exec(cellOf(cells, columns, 'year', 20))?.[0]);
  if (Number.isNaN(yearFrom)) return refused('it tells no year');
  const told = /\bDDR ?[2-5]?\b|\bSDR\b/i.exec(cellOf(cells, columns, 'generation', 60))?.[0].toUpperCase();
  const generation = EDGE_GENERATIONS.find((one) => one === told?.replace(' ', ''));
  if (generation === undefined) return refused('it tells no generation of memory, such as DDR4');
  const slots = cellOf(cells, columns, 'slots', 20);
  const template = usualBoard(cellOf(cells, columns, 'form', 60), Number(slots));
  if (template === null) return refused(`no usual board has “${slots}” slots: make this model by hand`);
  if (!(TEMPLATES[template].generations as readonly string[]).includes(generation))
    return refused(`no usual board with ${slots} slots takes ${generation}: make this model by hand`);
  const moduleMiB = capacityOf(cellOf(cells, columns, 'moduleMost', 20));
  const totalMiB = capacityOf(cellOf(cells, columns, 'totalMost', 20));
  if (moduleMiB === undefined || totalMiB === undefined) return refused('what it takes at most is no capacity');
  return { ok: true, row: { line, maker, name, yearFrom, template, generation, moduleMiB, totalMiB } };
}

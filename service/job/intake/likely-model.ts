import { yearsText } from '../../../core/machine/limits/years-text';
import type { Likely } from '../../../core/machine/models/disambiguate';
import { capacityText } from '../../../core/memory/capacity';
import type { ModelSummary } from '../../../store/library/models';

/** What a model takes, in a few words: `DDR4 SO-DIMM · 2 slots · 32 GB in total`. */
export function memoryWords({ generations, form, sockets, solderedSlots, totalMiB }: ModelSummary): string {
  const kind = [Array.isArray(generations) ? generations.join(' or ') : '', typeof form === 'string' ? form : ''];
  return [
    kind.filter((part) => part !== '').join(' '),
    `${sockets} ${sockets === 1 ? 'slot' : 'slots'}${solderedSlots > 0 ? ' and soldered memory' : ''}`,
    totalMiB === null ? '' : `${capacityText(totalMiB)} in total`,
  ]
    .filter((part) => part !== '')
    .join(' · ');
}

/** A model as something that may be meant. */
export function likelyOf(model: ModelSummary): Likely {
  return {
    id: model.id,
    maker: model.maker,
    name: model.name,
    years: yearsText(model),
    kind: model.kind,
    cpus: model.cpus.map(({ name }) => name),
    modelIds: model.modelIds,
    memory: memoryWords(model),
  };
}

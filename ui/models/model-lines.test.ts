import { modelSchema } from '@/core/machine/models/model';
import { staffWords } from '@/words/staff-words';
import { readTypedModel, typedModel } from './model-lines';

const t = staffWords('en', 'models');

const model = modelSchema.parse({
  maker: 'Ostrell',
  name: 'Sling 14',
  yearFrom: 2020,
  yearTo: 2022,
  modelIds: ['OS14', 'OS14P'],
  cpus: [{ name: 'Alda 7', maxMiB: 65536, maxRateMTs: 3200 }],
  factoryMaxMiB: 24576,
  factoryOptions: [{ totalMiB: 16384, surchargeCents: 14000, baseModel: 'OS14P' }],
  opening: [
    { text: 'Open it', tool: 'cross-head 0', fasteners: 6, lengthMm: 5, minutes: 3 },
    { text: 'Unplug', unplug: 'battery', caution: 'short ribbon' },
  ],
  slots: [
    { name: 'ON', channel: 'A', bank: 1, soldered: { capacityMiB: 8192, rateMTs: 3200 } },
    { name: 'B1', channel: 'B', bank: 1, lidName: '2', place: 'keyboard' },
  ],
});
const { slots: _slots, claims: _, trials: _trials, testedParts: _parts, ...fields } = model;
const typed = typedModel(fields);

describe('a model as lines', () => {
  it('comes back as it was', () => {
    const made = readTypedModel(t, typed);
    expect(made.ok && modelSchema.parse({ ...model, ...made.value })).toEqual(model);
  });

  test.each([
    [{ yearFrom: 'new' }, /Enter the year it came out/],
    [{ yearTo: 'old' }, /Enter the year it ended/],
    [{ factoryMost: 'all' }, /maker’s own maximum as a size/],
    [{ cpus: 'Alda (' }, /not written as NAME/],
    [{ factory: 'lots | 5' }, /"lots" is not a capacity/],
    [{ factory: '16 GB | much' }, /"much" is not an amount/],
  ])('%j is told what is wrong', (more, why) => {
    const made = readTypedModel(t, { ...typed, ...more });
    expect(made.ok ? '' : Object.values(made.wrong).join(' ')).toMatch(why);
  });
});

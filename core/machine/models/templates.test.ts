import { resolveClaims } from '../limits/resolve-claims';
import { boardFault, modelSchema } from './model';
import { TEMPLATE_NAMES, TEMPLATES, templateClaims, templateSlots } from './templates';

describe.each(TEMPLATE_NAMES)('the template %s', (name) => {
  const { channels, perChannel, generations, form } = TEMPLATES[name];

  it('has the sockets of its channels, each once', () => {
    const slots = templateSlots(name);
    expect(slots).toHaveLength(channels * perChannel);
    expect(boardFault(slots)).toBeNull();
    expect(new Set(slots.map(({ channel }) => channel)).size).toBe(channels);
    expect(slots.every(({ soldered }) => soldered === null)).toBe(true);
  });

  it.each(generations)('is a model of %s whose claims are usual and nobody’s word', (generation) => {
    const model = modelSchema.parse({
      maker: 'Tarnholt',
      name: 'Lumen 9',
      yearFrom: 2020,
      slots: templateSlots(name),
      claims: templateClaims(name, generation),
    });
    expect(new Set(model.claims.map(({ source }) => source.kind))).toEqual(new Set(['standard']));
    expect(model.claims.find(({ limit }) => limit === 'form')?.value).toBe(form);
    expect(model.claims.map(({ limit }) => limit).sort()).toEqual(
      ['form', 'generations', 'kinds', 'ratesMTs', 'voltagesMv'].sort(),
    );
  });
});

it('a maker’s page outweighs what is usual', () => {
  const usual = templateClaims('laptop', 'DDR4').map(({ limit, value, source }) => ({
    limit,
    value,
    source: { kind: source.kind, name: source.name },
  }));
  const page = { limit: 'ratesMTs', value: [3200], source: { kind: 'maker-page', name: 'page' } } as const;
  const limits = resolveClaims([...usual, page] as Parameters<typeof resolveClaims>[0]);
  expect(limits.ratesMTs?.value).toEqual([3200]);
  expect(limits.form?.source.kind).toBe('standard');
});

import { bodyRule } from './body-rules';
import { countedAs } from './client';
import { Counts } from './counts';
import { HeldBytes } from './held-bytes';
import { readRoutes } from './routes';

describe('routes', () => {
  const routeOf = readRoutes({
    '/api/models/[id]/route': '/api/models/[id]',
    '/api/models/import/route': '/api/models/import',
    '/jobs/[id]/[station]/page': '/jobs/[id]/[station]',
  });

  test.each([
    ['/api/models/import', '/api/models/import', 'handler'],
    ['/api/models/7', '/api/models/[id]', 'handler'],
    ['/jobs/1/intake', '/jobs/[id]/[station]', 'page'],
  ])('%s is %s', (path, route, kind) => {
    expect(routeOf(path)).toEqual({ path: route, kind });
  });

  test.each(['/api/models', '/api/models/7/8', '/nothing', '/'])('%s is none', (path) => {
    expect(routeOf(path)).toBeNull();
  });

  it('take staff’s JSON where nothing else is said', () => {
    expect(bodyRule('PUT', '/api/made-up-today')).toMatchObject({ opener: 'session', mostBytes: 262_144 });
    expect(bodyRule('POST', '/q/[token]/answer')).toMatchObject({ opener: 'link', mostBytes: 16_384 });
  });
});

test.each([
  ['10.1.2.3', '10.1.2.3'],
  ['::ffff:10.1.2.3', '10.1.2.3'],
  ['2001:db8:1:2:3:4:5:6', '2001:db8:1:2::/64'],
  ['2001:db8:1:2::99', '2001:db8:1:2::/64'],
  ['::1', '0:0:0:0::/64'],
])('%s counts as %s', (address, name) => {
  expect(countedAs(address)).toBe(name);
});

test('bytes in flight: strangers never use up the staff’s, and what is given back twice counts once', () => {
  const held = new HeldBytes({ strangers: 100, all: 300 });
  const first = held.take(80, true);
  expect(first).not.toBeNull();
  expect(held.take(30, true)).toBeNull();
  expect(held.take(220, false)).not.toBeNull();
  expect(held.take(1, false)).toBeNull();
  first?.();
  first?.();
  expect(held.now).toBe(220);
  expect(held.take(80, false)).not.toBeNull();
});

test('counts: names that have none are forgotten', () => {
  const counts = new Counts();
  const [one, two] = [counts.add('a'), counts.add('a')];
  expect([counts.of('a'), counts.all]).toEqual([2, 2]);
  one();
  one();
  two();
  expect([counts.of('a'), counts.all]).toEqual([0, 0]);
});

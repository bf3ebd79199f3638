import { readMarket } from './read-market';

const asked: string[] = [];
let status = 200;
beforeEach(() => {
  asked.length = 0;
  status = 200;
  globalThis.fetch = (async (path: string) => {
    asked.push(path);
    return new Response(`market of ${path}`, { status });
  }) as unknown as typeof fetch;
});

test('page and planner that want the same market ask once; another one is asked for', async () => {
  const both = await Promise.all([readMarket('/a'), readMarket('/a')]);
  expect(both).toEqual(['market of /a', 'market of /a']);
  expect(await readMarket('/b')).toBe('market of /b');
  expect(asked).toEqual(['/a', '/b']);
});

test('one that was refused is asked for again', async () => {
  status = 401;
  await expect(readMarket('/c')).rejects.toThrow('401');
  status = 200;
  expect(await readMarket('/c')).toBe('market of /c');
  expect(asked).toEqual(['/c', '/c']);
});

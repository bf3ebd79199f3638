import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join, relative } from 'node:path';
import { yearsText } from '@/core/machine/limits/years-text';
import { ageText } from './age-text';
import { boundedText } from './bounded-text';
import { lightOf } from './light';
import { safePath } from './request-path';
import { parseStorable, storable } from './storable';

function files(folder: string): string[] {
  return readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? files(path) : [path];
  });
}

/** Open by intent: the door, the customer's page, paper, data and answers, and the sign of life. */
const OPEN = new Set([
  'api/health/route.ts',
  'api/ready/route.ts',
  'api/sign-in/route.ts',
  'api/sign-out/route.ts',
  'customer/[file]/route.ts',
  'q/[token]/answer/route.ts',
  'q/[token]/csv/route.ts',
  'q/[token]/json/route.ts',
  'q/[token]/logo/route.ts',
  'q/[token]/pdf/route.ts',
  'q/[token]/proof-pdf/route.ts',
  'q/[token]/proof/route.ts',
  'q/[token]/route.ts',
  'q/[token]/ubl/[option]/route.ts',
  'sign-in/page.tsx',
  // Who opens a shop has no account yet: the code from the terminal lets them.
  'open/page.tsx',
  'api/open/route.ts',
  'own-shop/page.tsx',
]);

const doors = files(__dirname)
  .filter((path) => /(^|\/)(page\.tsx|route\.ts)$/.test(path))
  .map((path) => relative(__dirname, path));

test('there are pages and handlers to look at, and every open one exists', () => {
  expect(doors.length).toBeGreaterThan(20);
  for (const open of OPEN) expect(doors).toContain(open);
});

test.each(doors.filter((door) => !OPEN.has(door)))('%s asks who calls before anything else', (door) => {
  const source = readFileSync(join(__dirname, door), 'utf8');
  if (door.endsWith('route.ts')) {
    const handlers = [...source.matchAll(/export (?:const|async function|function) (GET|POST|PUT|PATCH|DELETE)/g)];
    const guarded = [
      ...source.matchAll(
        /export const (GET|POST|PUT|PATCH|DELETE) = handle(?:File|Whole|Parts|Told|Watch)?\(\s*'[a-z]+\.[a-z-]+'/g,
      ),
    ];
    expect(handlers.length).toBeGreaterThan(0);
    expect(guarded.length).toBe(handlers.length);
    return;
  }
  const body = /export default async function \w+\([\s\S]*?\) \{\n([\s\S]*)/.exec(source)?.[1] ?? '';
  expect(body.trimStart()).toMatch(/^(const caller = )?await enterPage\('/);
});

describe('a body', () => {
  const post = (body: string) => new Request('http://fenbrik.example/', { method: 'POST', body });
  const stream = (chunks: number, size: number) => {
    let sent = 0;
    const body = new ReadableStream({
      pull(controller) {
        if (sent++ < chunks) controller.enqueue(new Uint8Array(size).fill(65));
        else controller.close();
      },
    });
    const request = new Request('http://fenbrik.example/', { method: 'POST', body, duplex: 'half' } as RequestInit);
    return { request, sent: () => sent };
  };

  it('is read whole up to the limit, letters of several bytes too', async () => {
    expect(await boundedText(post('Größe'), 100)).toBe('Größe');
    expect(await boundedText(post('a'.repeat(100)), 100)).toHaveLength(100);
    expect(await boundedText(new Request('http://fenbrik.example/'), 100)).toBe('');
  });

  it('is not read past the limit, whatever length it claims', async () => {
    expect(await boundedText(post('a'.repeat(101)), 100)).toBeNull();
    const endless = stream(1_000_000, 1000);
    expect(await boundedText(endless.request, 10_000)).toBeNull();
    expect(endless.sent()).toBeLessThan(100);
  });
});

describe('text that a database can hold', () => {
  it('has no NUL and no lone surrogate, at any depth', () => {
    expect(storable('a\0b\ud800c😀')).toBe('ab\ufffdc😀');
    expect(parseStorable('{"a": ["x\\u0000y", {"b": "\\udc00"}], "n": 1}')).toEqual({
      a: ['xy', { b: '\ufffd' }],
      n: 1,
    });
    expect(() => parseStorable('{')).toThrow(SyntaxError);
  });
});

describe('where to go after signing in', () => {
  test.each(['/counter', '/jobs/12/options?x=1', '/q/abc-_'])('%s is one of ours', (path) => {
    expect(safePath(path)).toBe(path);
  });

  test.each([
    '//evil.example',
    '/\\evil.example',
    'https://evil.example',
    '/api/sign-out',
    'javascript:alert(1)',
    '',
    null,
    undefined,
    '/x\ny',
  ])('%s leads to the counter', (path) => {
    expect(safePath(path)).toBe('/counter');
  });
});

test('ages as people say them', () => {
  const now = new Date('2026-11-25T12:00:00Z');
  const ago = (minutes: number) => ageText(new Date(now.getTime() - minutes * 60_000), now);
  expect([0, 5, 60, 180, 60 * 30, 60 * 24 * 5].map(ago)).toEqual([
    'just now',
    '5 min ago',
    '1 hour ago',
    '3 hours ago',
    'yesterday',
    '5 days ago',
  ]);
  expect(ageText(new Date(now.getTime() + 60_000), now)).toBe('just now');
});

test('years of a model', () => {
  expect(yearsText({ yearFrom: 2018, yearTo: 2020 })).toBe('2018 to 2020');
  expect(yearsText({ yearFrom: 2018, yearTo: 2018 })).toBe('2018');
  expect(yearsText({ yearFrom: 2021, yearTo: null })).toBe('since 2021');
});

test('an unknown light is day', () => {
  expect(lightOf({ get: () => ({ value: 'disco' }) })).toBe('day');
  expect(lightOf({ get: () => ({ value: 'back-room' }) })).toBe('back-room');
  expect(lightOf({ get: () => undefined })).toBe('day');
});

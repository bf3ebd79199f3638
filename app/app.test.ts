import { yearsText } from '@/core/machine/limits/years-text';
import { boundedText } from './bounded-text';
import { lightOf } from './light';
import { safePath } from './request-path';
import { parseStorable, storable } from './storable';

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

test('years of a model', () => {
  expect(yearsText({ yearFrom: 2018, yearTo: 2020 })).toBe('2018–2020');
  expect(yearsText({ yearFrom: 2018, yearTo: 2018 })).toBe('2018');
  expect(yearsText({ yearFrom: 2021, yearTo: null })).toBe('since 2021');
});

test('an unknown theme is as the system’s', () => {
  expect(lightOf({ get: () => ({ value: 'disco' }) })).toBeNull();
  expect(lightOf({ get: () => ({ value: 'back-room' }) })).toBe('back-room');
  expect(lightOf({ get: () => ({ value: 'day' }) })).toBe('day');
  expect(lightOf({ get: () => undefined })).toBeNull();
});

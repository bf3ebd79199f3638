import { runInNewContext } from 'node:vm';
import { startPlanner } from './planner-script';

const MARKET = '/api/jobs/1/market/abc';

/** The page's first lines, run beside a worker that only notes what it is asked. */
function started(language = 'de') {
  const asked: unknown[] = [];
  const formats: unknown[] = [];
  const workers: FakeWorker[] = [];
  class FakeWorker {
    onmessage: ((event: { data: unknown }) => void) | null = null;
    onerror: (() => void) | null = null;
    constructor(readonly script: string) {
      workers.push(this);
    }
    postMessage(message: unknown): void {
      asked.push(message);
    }
  }
  class Format {
    constructor(...how: unknown[]) {
      formats.push(how);
    }
    format(): void {}
    select(): void {}
  }
  const window: { earlyPlanner?: { worker: unknown; planned: string; inbox: unknown[] } } = {};
  const document = { documentElement: { lang: language } };
  const formatters = { NumberFormat: Format, PluralRules: Format };
  const setTimeout = (work: () => void) => work();
  runInNewContext(startPlanner('/_next/static/planner-X.js', MARKET, 'EUR', 0), {
    ...{ window, document, setTimeout },
    Intl: formatters,
    Worker: FakeWorker,
  });
  return { asked, formats, worker: workers[0], early: window.earlyPlanner };
}

test('a page’s first lines start the worker on its market, and keep what it answers until somebody takes it', () => {
  const { asked, worker, early } = started();
  expect(worker?.script).toBe('/_next/static/planner-X.js');
  expect(asked).toEqual([{ id: 0, path: MARKET }]);
  expect(early).toMatchObject({ planned: MARKET, inbox: [] });
  expect(early?.worker).toBe(worker);
  worker?.onmessage?.({ data: { id: 0, state: 'done' } });
  worker?.onerror?.();
  expect(early?.inbox).toEqual([
    { id: 0, state: 'done' },
    { id: 0, state: 'failed' },
  ]);
});

test('they write the first number of the page’s language, whatever that is', () => {
  expect(started().formats).toEqual([['de', { style: 'currency', currency: 'EUR' }], ['de']]);
  expect(started('').formats).toEqual([['en', { style: 'currency', currency: 'EUR' }], ['en']]);
});

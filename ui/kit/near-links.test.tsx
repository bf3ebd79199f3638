/** @jest-environment jsdom */
import { act } from 'react';
import { createRoot } from 'react-dom/client';
import { NearLinks } from './near-links';

const router = { push: jest.fn(), prefetch: jest.fn() };
jest.mock('next/navigation', () => ({ useRouter: () => router }));

const page = document.createElement('div');
document.body.append(page);
const root = createRoot(page);
let left: string[] = [];

beforeEach(async () => {
  jest.clearAllMocks();
  left = [];
  (globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;
  await act(async () =>
    root.render(
      <NearLinks>
        <a id="job" href="/jobs/7">
          <span>Hedda Vane</span>
        </a>
        <a id="away" href="https://elsewhere.example/">
          elsewhere
        </a>
        <a id="file" href="/jobs/7.csv" download>
          file
        </a>
        <p>no link</p>
      </NearLinks>,
    ),
  );
});
// What nobody took is the browser's: noted, and not followed here.
page.addEventListener('click', () => {});
window.addEventListener('click', (event) => {
  if (!event.defaultPrevented) left.push((event.target as Element).id || (event.target as Element).tagName);
  event.preventDefault();
});

const press = (selector: string, more: MouseEventInit = {}) =>
  act(async () => {
    const event = new MouseEvent('click', { bubbles: true, cancelable: true, ...more });
    page.querySelector(selector)?.dispatchEvent(event);
  });

test('a plain press leads on without loading a whole page, wherever in the link', async () => {
  await press('#job span');
  expect(router.push).toHaveBeenCalledWith('/jobs/7');
  expect(left).toEqual([]);
});

test.each([{ ctrlKey: true }, { metaKey: true }, { shiftKey: true }, { button: 1 }])(
  'another press is the browser’s: %j',
  async (how) => {
    await press('#job', how);
    expect(router.push).not.toHaveBeenCalled();
    expect(left).toEqual(['job']);
  },
);

test.each(['#away', '#file', 'p'])('%s is left alone', async (selector) => {
  await press(selector);
  expect(router.push).not.toHaveBeenCalled();
  expect(left).toHaveLength(1);
});

test('a page is fetched ahead once, when a pointer or the keyboard comes near', async () => {
  const near = (type: string) =>
    act(async () => void page.querySelector('#job span')?.dispatchEvent(new Event(type, { bubbles: true })));
  await near('pointerover');
  await near('pointerover');
  await near('focusin');
  expect(router.prefetch.mock.calls).toEqual([['/jobs/7']]);
});

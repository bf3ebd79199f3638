import { untilQuiet, watchTyping } from './until-quiet';

test('waits until nobody types any more, and not at all where nobody did', async () => {
  const page = new EventTarget();
  Object.assign(globalThis, { document: page });
  const stop = watchTyping();
  const took = async () => {
    const from = performance.now();
    await untilQuiet();
    return performance.now() - from;
  };
  expect(await took()).toBeLessThan(50);
  page.dispatchEvent(new Event('input'));
  setTimeout(() => page.dispatchEvent(new Event('input')), 300);
  expect(await took()).toBeGreaterThanOrEqual(1050);
  stop();
});

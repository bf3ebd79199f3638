/** @jest-environment jsdom */

import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { WithWords } from '@/ui/words/testing/with-words';
import { MenuButton } from './menu-button';

let path = '/counter';
jest.mock('next/navigation', () => ({ usePathname: () => path }));
afterEach(cleanup);

const bar = (
  <WithWords>
    <MenuButton />
  </WithWords>
);
const isOpen = () => screen.getByRole('button', { name: 'Menu' }).getAttribute('aria-expanded');

test('the menu opens and closes by its button, and by Escape with the focus back on it', async () => {
  render(bar);
  expect(isOpen()).toBe('false');
  await userEvent.click(screen.getByRole('button'));
  expect(isOpen()).toBe('true');
  await userEvent.click(screen.getByRole('button'));
  expect(isOpen()).toBe('false');
  await userEvent.click(screen.getByRole('button'));
  (document.activeElement as HTMLElement).blur();
  await userEvent.keyboard('x');
  expect(isOpen()).toBe('true');
  await userEvent.keyboard('{Escape}');
  expect(isOpen()).toBe('false');
  expect(document.activeElement).toBe(screen.getByRole('button'));
});

test('another page closes it', async () => {
  const { rerender } = render(bar);
  await userEvent.click(screen.getByRole('button'));
  expect(isOpen()).toBe('true');
  path = '/models';
  rerender(
    <WithWords>
      <MenuButton />
    </WithWords>,
  );
  expect(isOpen()).toBe('false');
});

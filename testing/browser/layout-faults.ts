import type { Page } from 'playwright-core';

/**
 * What of a page does not fit its window, a line each: whether it scrolls sideways and what sticks out, words that are cut
 * without a sign of it, choices of a list that cannot be read, and more than one prominent action. Empty: all of it fits.
 */
export function layoutFaults(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const name = (element: Element): string =>
      `${element.tagName.toLowerCase()} “${(element.textContent ?? '').trim().slice(0, 40)}”`;
    // What is kept for readers of the screen alone is a pixel wide.
    const isAside = (element: Element): boolean =>
      element.closest('svg') !== null ||
      (element.clientWidth <= 1 && getComputedStyle(element).position === 'absolute');
    const all = [...document.querySelectorAll('body *')].filter(
      (element) => !isAside(element) && !element.matches('.sr-only-focusable'),
    );
    /** the arrow of a list of choices, px */
    const ARROW = 16;
    const faults: string[] = [];
    const beyond = document.documentElement.scrollWidth - window.innerWidth;
    if (beyond > 0) {
      const wide = all.filter((element) => element.getBoundingClientRect().right > window.innerWidth + 1);
      const inner = wide.filter((element) => !wide.some((other) => other !== element && element.contains(other)));
      faults.push(`scrolls sideways by ${beyond} px: ${inner.slice(0, 3).map(name).join(', ')}`);
    }
    const ruler = document.createElement('canvas').getContext('2d');
    for (const element of all) {
      const style = getComputedStyle(element);
      const hasWords = [...element.childNodes].some(
        (node) => node.nodeType === Node.TEXT_NODE && (node.textContent ?? '').trim() !== '',
      );
      const isClipped = style.overflowX === 'hidden' || style.overflowX === 'clip';
      if (hasWords && isClipped && style.textOverflow !== 'ellipsis' && element.scrollWidth > element.clientWidth + 1)
        faults.push(`cut: ${name(element)}`);
      if (element instanceof HTMLSelectElement && ruler !== null && element.clientWidth > 0) {
        ruler.font = style.font;
        const text = element.selectedOptions[0]?.text ?? '';
        const room =
          element.clientWidth - ARROW - Number.parseFloat(style.paddingLeft) - Number.parseFloat(style.paddingRight);
        // The canvas does not know the stretch of a letter: a tenth is left for that.
        if (ruler.measureText(text).width * 0.9 > room + 2) faults.push(`cut choice: “${text}”`);
      }
    }
    // Over a page a sheet is a screen of its own.
    const screen = [...document.querySelectorAll('[role=dialog]')].at(-1) ?? document.body;
    const acts = [...screen.querySelectorAll('button.bg-act, a.bg-act')].filter(
      (element) => !element.matches('.sr-only-focusable') && element.getClientRects().length > 0,
    );
    if (acts.length > 1) faults.push(`prominent actions: ${acts.map(name).join(', ')}`);
    return [...new Set(faults)];
  });
}

/** Nobody types for so long in the middle of a word, ms. */
const QUIET_MS = 800;

let typedAt = Number.NEGATIVE_INFINITY;

/** Notes when somebody types, anywhere on the page; returns how to stop it. */
export function watchTyping(): () => void {
  const note = () => {
    typedAt = performance.now();
  };
  document.addEventListener('input', note, true);
  return () => document.removeEventListener('input', note, true);
}

/** Waits until nobody is typing, so that what comes up over the page does not take the rest of a word. */
export async function untilQuiet(): Promise<void> {
  for (;;) {
    const left = typedAt + QUIET_MS - performance.now();
    if (left <= 0) return;
    await new Promise((resolve) => setTimeout(resolve, left));
  }
}

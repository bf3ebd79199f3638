/**
 * Puts a text where it can be pasted from. Over plain HTTP browsers keep their clipboard from pages: then what was marked is
 * copied the old way.
 *
 * @returns false where the browser lets nothing be copied: show the text to be marked by hand
 */
export async function copyText(text: string): Promise<boolean> {
  try {
    await navigator.clipboard.writeText(text);
    return true;
  } catch {
    return copyMarked(text);
  }
}

function copyMarked(text: string): boolean {
  const focused = document.activeElement;
  const field = document.createElement('textarea');
  field.value = text;
  field.setAttribute('aria-hidden', 'true');
  field.className = 'sr-only';
  document.body.append(field);
  field.select();
  try {
    return document.execCommand('copy');
  } catch {
    return false;
  } finally {
    field.remove();
    if (focused instanceof HTMLElement) focused.focus();
  }
}

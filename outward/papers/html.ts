/** Markup that is written already and is put in as it is. */
export class Markup {
  constructor(readonly text: string) {}
}

type Part = string | number | Markup | null | false | readonly Part[];

const ESCAPES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' };

/** A text as it stands between tags or in a quoted attribute (HTML Living Standard, 13.1). */
export const escaped = (text: string): string => text.replace(/[&<>"']/g, (sign) => ESCAPES[sign] ?? sign);

function written(part: Part): string {
  if (part === null || part === false) return '';
  if (part instanceof Markup) return part.text;
  if (typeof part === 'string' || typeof part === 'number') return escaped(String(part));
  return part.map(written).join('');
}

/** Markup with what is put into it escaped, but for other markup; null and false put in nothing. */
export function html(pieces: TemplateStringsArray, ...parts: readonly Part[]): Markup {
  let text = pieces[0] ?? '';
  parts.forEach((part, index) => {
    text += written(part) + (pieces[index + 1] ?? '');
  });
  return new Markup(text);
}

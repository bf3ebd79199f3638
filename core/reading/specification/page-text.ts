/** Elements whose contents nobody reads as text (WHATWG HTML: raw text, and what is drawn or typed into). */
const SKIPPED = new Set([
  'script',
  'style',
  'noscript',
  'template',
  'svg',
  'math',
  'select',
  'textarea',
  'iframe',
  'object',
  'button',
]);
/** Parts of a page that stand on every page of a site. */
const BOILERPLATE = new Set(['nav', 'header', 'footer', 'aside', 'form', 'dialog', 'menu']);
/** Elements that begin and end a line. */
const BLOCKS = new Set([
  'address',
  'article',
  'blockquote',
  'body',
  'br',
  'caption',
  'center',
  'dd',
  'details',
  'div',
  'dl',
  'dt',
  'fieldset',
  'figcaption',
  'figure',
  'h1',
  'h2',
  'h3',
  'h4',
  'h5',
  'h6',
  'head',
  'hr',
  'html',
  'legend',
  'li',
  'main',
  'ol',
  'p',
  'pre',
  'section',
  'summary',
  'table',
  'tbody',
  'tfoot',
  'thead',
  'title',
  'tr',
  'ul',
]);
const CELLS = new Set(['td', 'th']);
const OF_TABLES = new Set(['tr', 'table', 'tbody', 'thead', 'tfoot', 'dd', 'dt', 'dl']);
/** Elements without an end tag. */
const VOID = new Set([
  'area',
  'base',
  'br',
  'col',
  'embed',
  'hr',
  'img',
  'input',
  'link',
  'meta',
  'source',
  'track',
  'wbr',
]);

const ENTITIES: Record<string, string> = {
  amp: '&',
  lt: '<',
  gt: '>',
  quot: '"',
  apos: "'",
  nbsp: ' ',
  times: '×',
  ndash: '–',
  mdash: '—',
  middot: '·',
  bull: '•',
  hellip: '…',
  reg: '®',
  trade: '™',
  copy: '©',
  auml: 'ä',
  ouml: 'ö',
  uuml: 'ü',
  Auml: 'Ä',
  Ouml: 'Ö',
  Uuml: 'Ü',
  szlig: 'ß',
  eacute: 'é',
  egrave: 'è',
  ecirc: 'ê',
  agrave: 'à',
  acirc: 'â',
  ccedil: 'ç',
  ocirc: 'ô',
  ugrave: 'ù',
  icirc: 'î',
  Eacute: 'É',
  ntilde: 'ñ',
  aacute: 'á',
  iacute: 'í',
  oacute: 'ó',
  uacute: 'ú',
  atilde: 'ã',
  otilde: 'õ',
  rsquo: '’',
  lsquo: '‘',
  ldquo: '“',
  rdquo: '”',
  deg: '°',
  frac12: '½',
  sup2: '²',
  thinsp: ' ',
  ensp: ' ',
  emsp: ' ',
  shy: '',
  zwnj: '',
  zwj: '',
  euro: '€',
  pound: '£',
};
const ENTITY = /&(?:#(\d{1,7})|#x([0-9a-f]{1,6})|([a-z0-9]{2,8}));/gi;
const LAST_LETTER = 0x10ffff;

function letterOf(code: number): string {
  return code > 0 && code <= LAST_LETTER && !(code >= 0xd800 && code <= 0xdfff) ? String.fromCodePoint(code) : ' ';
}

/** Character references of a text as their letters (WHATWG HTML 13.5, those that such pages use). */
function decoded(text: string): string {
  if (!text.includes('&')) return text;
  return text.replace(ENTITY, (whole, decimal?: string, hex?: string, name?: string) => {
    if (decimal !== undefined) return letterOf(Number(decimal));
    if (hex !== undefined) return letterOf(Number.parseInt(hex, 16));
    return ENTITIES[name ?? ''] ?? whole;
  });
}

/** A tag that hides what is in it, as its own attributes say. */
const HIDDEN =
  /\s(?:hidden(?=[\s=/>])|aria-hidden\s*=\s*["']?true|style\s*=\s*["'][^"']{0,300}(?:display\s*:\s*none|visibility\s*:\s*hidden))/i;
const BOILERPLATE_ROLE = /\srole\s*=\s*["']?(?:navigation|banner|contentinfo|search|dialog|menu)/i;

/** Longest tag that is looked at, characters; longer ones are cut. */
const LONGEST_TAG = 2_000;
const TAG = /<(?:!--|(\/?)([a-z][a-z0-9-]{0,30}))/gi;
/** More elements than this are not open within each other: the outermost are forgotten. */
const MOST_OPEN = 60;
/** A page has no more text than this that is worth a look, characters. */
const MOST_TEXT = 500_000;
/** Nor more tags. */
const MOST_TAGS = 300_000;

/** Text of a page while it is put together: a line at a time, table cells and terms apart from their values. */
class PageLines {
  readonly #lines: string[] = [];
  #line = '';
  #length = 0;

  text(piece: string): void {
    const plain = piece.replace(/\s+/g, ' ');
    if (plain === ' ' && (this.#line === '' || this.#line.endsWith(' '))) return;
    this.#line += plain;
  }

  /** A paragraph, an item or a break within a cell. */
  part(): void {
    if (this.#line !== '' && !/[\s;]$/.test(this.#line)) this.#line += '; ';
  }

  cell(): void {
    if (this.#line !== '' && !this.#line.endsWith('\t')) this.#line += '\t';
  }

  end(): void {
    if (this.#line === '') return;
    const cells = this.#line.split('\t').map((cell) => cell.replace(/^[ ;]+/, '').replace(/[ ;]+$/, ''));
    const line = cells.filter((cell) => cell !== '').join('\t');
    if (line !== '') this.#lines.push(line);
    this.#length += line.length;
    this.#line = '';
  }

  get isFull(): boolean {
    return this.#length + this.#line.length > MOST_TEXT;
  }

  get all(): string {
    this.end();
    return this.#lines.join('\n');
  }
}

/** An element that is open: whether it is left out, and whether what is in it goes on in a row's line. */
interface Open {
  name: string;
  isHidden: boolean;
  isInCell: boolean;
}

const OUTSIDE: Open = { name: '', isHidden: false, isInCell: false };

/** Elements that are open where a page is read, the innermost last. */
class OpenElements {
  readonly #open: Open[] = [];

  get last(): Open {
    return this.#open.at(-1) ?? OUTSIDE;
  }

  push(name: string, hides: boolean): void {
    if (this.#open.length === MOST_OPEN) this.#open.shift();
    const { isHidden, isInCell } = this.last;
    const isCell = CELLS.has(name) || name === 'dd' || name === 'dt';
    this.#open.push({ name, isHidden: isHidden || hides, isInCell: isCell || (isInCell && name !== 'table') });
  }

  /** Closes the nearest element of a name, with all that is in it; one that was never opened closes nothing. */
  close(name: string): void {
    for (let at = this.#open.length - 1; at >= 0; at--) {
      if (this.#open[at]?.name !== name) continue;
      this.#open.length = at;
      return;
    }
  }
}

const isPart = (open: OpenElements, name: string): boolean =>
  BLOCKS.has(name) && !OF_TABLES.has(name) && open.last.isInCell;

/**
 * The text that a reader of a saved page sees: a line for each row, paragraph and item; cells of a row, and a term and what
 * is said of it, parted by a tab. What is hidden, drawn or the same on every page is left out. Linear in the page's length.
 */
export function pageText(page: string): string {
  const lines = new PageLines();
  const open = new OpenElements();
  let at = 0;
  let isTerm = false;
  const take = (to: number): void => {
    if (!open.last.isHidden && to > at) lines.text(decoded(page.slice(at, Math.min(to, at + MOST_TEXT))));
  };
  let tags = 0;
  TAG.lastIndex = 0;
  for (let found = TAG.exec(page); found !== null && tags++ < MOST_TAGS && !lines.isFull; found = TAG.exec(page)) {
    take(found.index);
    const [, closing, written] = found;
    if (written === undefined) {
      const end = page.indexOf('-->', found.index + 4);
      if (end < 0) return lines.all;
      at = end + 3;
      TAG.lastIndex = at;
      continue;
    }
    const name = written.toLowerCase();
    const tagEnd = page.indexOf('>', TAG.lastIndex);
    if (tagEnd < 0) return lines.all;
    const tag =
      tagEnd === TAG.lastIndex ? '' : page.slice(found.index, Math.min(tagEnd + 1, found.index + LONGEST_TAG));
    at = tagEnd + 1;
    TAG.lastIndex = at;
    if (closing === '/') {
      open.close(name);
      if (name === 'dt') isTerm = true;
      else if (isPart(open, name)) lines.part();
      else if (BLOCKS.has(name)) lines.end();
      continue;
    }
    if (CELLS.has(name) || (name === 'dd' && isTerm)) lines.cell();
    else if (isPart(open, name)) lines.part();
    else if (BLOCKS.has(name)) lines.end();
    if (BLOCKS.has(name)) isTerm = false;
    if (VOID.has(name) || tag.endsWith('/>')) continue;
    const isMarked = tag !== '' && (HIDDEN.test(tag) || BOILERPLATE_ROLE.test(tag));
    open.push(name, SKIPPED.has(name) || BOILERPLATE.has(name) || isMarked);
    if (name === 'script' || name === 'style') {
      const end = page.indexOf(`</${written}`, at);
      if (end < 0) return lines.all;
      at = end;
      TAG.lastIndex = end;
    }
  }
  take(page.length);
  return lines.all;
}

const HEADING = /<h1\b[^>]{0,500}>([\s\S]{1,600}?)<\/h1/i;
const TITLE = /<title\b[^>]{0,200}>([\s\S]{1,600}?)<\/title/i;

/** What a page calls itself: its first heading, else its title; null where it has neither. */
export function pageName(page: string): string | null {
  const head = page.slice(0, 200_000);
  const text = (HEADING.exec(head) ?? TITLE.exec(head))?.[1];
  const plain =
    text === undefined
      ? ''
      : decoded(text.replace(/<[^>]{0,300}>/g, ' '))
          .replace(/\s+/g, ' ')
          .trim();
  return plain === '' ? null : plain;
}

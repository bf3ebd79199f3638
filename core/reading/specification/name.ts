import { foldText } from './fold-text';
import { has } from './units';
import { MEMORY } from './words';

/** What heads a specification, and is no name. */
const GENERIC =
  /^(?:(?:technical|product|memory|system|hardware|full|key|board|motherboard|processor|cpu)? ?(?:specifications?|specs|data|features|overview|details|information)|technische daten|datenblatt|produktdaten|spezifikation(?:en)?|caracteristiques(?: techniques)?|fiche technique|especificaciones(?: tecnicas)?|ficha tecnica|specificaties|technische specificaties|specifiche(?: tecniche)?|scheda tecnica|especificacoes(?: tecnicas)?|memory|ram|arbeitsspeicher|memoire|memoria|geheugen|chapter.*|kapitel.*|\d.*)$/;
const TAIL =
  /\s*(?:[-–—:|,]\s*)?(?:technical |product |hardware |memory )?(?:specifications?|specs|data ?sheet|datasheet|user (?:manual|guide)|service manual|owner's manual|manual|chapter .*|page \d+|kapitel .*|board|technische daten|datenblatt|handbuch|caracteristiques(?: techniques)?|fiche technique|manuel|especificaciones(?: tecnicas)?|ficha tecnica|specificaties|technische specificaties|handleiding|specifiche(?: tecniche)?|scheda tecnica|manuale|especificacoes(?: tecnicas)?|(?:cpu|processor|board|motherboard) (?:data|specifications|memory)|cpu|processor|prozessor|motherboard|mainboard|(?:memory|ram|arbeitsspeicher|memoire|memoria|geheugen)(?: (?:support|configuration|guide|population|options|upgrade))?)\s*$/;
const HEAD =
  /^(?:prozessordaten|(?:processor|cpu) data(?: of)?|(?:technical |product )?(?:specifications?|specs|data ?sheet|manual) (?:of|for)(?: the)?|caracteristiques(?: techniques)?(?: d[eu])?|specificaties(?: van)?|technische specificaties(?: van)?|specifiche(?: tecniche)?(?: di)?|especificac(?:oes|iones)(?: tecnicas)?(?: d[eo])?|fiche technique(?: d[eu])?(?: la)?|ficha tecnica(?: de)?|scheda tecnica(?: di)?|technische daten(?: von| des)?|datenblatt|hauptplatine|mainboard|motherboard|carte mere|placa base|placa madre|placa-mae|scheda madre|moederbord|processor|prozessor|processeur|procesador|processore|processador|cpu)\s*[:–—-]?\s+(?=\S)/;
const LABELLED =
  /^(?:product(?: name)?|model(?: name)?|modell|modele|modelo|modello|produkt|produit|producto|prodotto|produto|device|gerat|processor number)(?:\s*:|\t)\s*(.{2,80})$/;
const MAKER_LABEL =
  /^(?:manufacturer|maker|brand|hersteller|marke|fabricant|marque|fabricante|marca|fabrikant|merk|produttore)(?:\s*:|\t)\s*(.{2,60})$/;
/** Words that make a sentence of a line, and no name. */
const FUNCTION_WORD =
  /(?<![a-z])(?:with|mit|avec|con|met|com|for|fur|pour|para|voor|of the|takes|has|hat|is|ist)(?![a-z])/;
const LONGEST = 90;
/** Lines looked at for a name that a label tells. */
const HEAD_LINES = 40;
const HEAD_LENGTH = 8_000;
const LONGEST_LINE = 200;

/** A name as a heading has it, its first word the maker where two follow each other; null where it is none. */
export function nameOfHeading(heading: string): { maker: string | null; model: string } | null {
  if (/[\t|]\s*\S+.*[\t|]/.test(heading)) return null;
  let text = heading.replace(/[™®©]/g, '').replace(/\s+/g, ' ').trim();
  const lead = HEAD.exec(foldText(text));
  if (lead !== null) text = text.slice(lead[0].length).trim();
  for (let round = 0; round < 3; round++) {
    const tail = TAIL.exec(foldText(text));
    if (tail === null || tail.index === 0) break;
    text = text.slice(0, tail.index).trim();
  }
  text = text.split(/\s[|–—]\s/)[0]?.trim() ?? '';
  const folded = foldText(text);
  if (text.length < 3 || text.length > LONGEST || GENERIC.test(folded) || !/\p{L}/u.test(text)) return null;
  if (/(?:dimm|slot|bank)[ _-]?(?:[a-h]?\d|[a-h])(?![a-z])|[.:;?!]$|[:=]|\t|\d ?(?:gb|mb|mhz|mt)(?![a-z])/.test(folded))
    return null;
  if (!/^\p{Lu}/u.test(text) || text.split(' ').length > 8) return null;
  const [first = '', ...rest] = text.split(' ');
  // A name has a figure in it, or a second word that begins with a capital.
  if (!/\d/.test(text) && !rest.some((word) => /^\p{Lu}/u.test(word))) return null;
  if (has(MEMORY, folded) || FUNCTION_WORD.test(folded)) return null;
  if (rest.length === 0 || !/^\p{Lu}[\p{L}&-]+$/u.test(first)) return { maker: null, model: text };
  return { maker: first, model: rest.join(' ') };
}

/** `Kestrin H310 board. Two slots …`: what stands before the first mark that parts it, where that is a name. */
function nameOfPart(head: string): { maker: string | null; model: string } | null {
  const part = /^(.{3,60}?)(?:[.:;]\s|,\s(?=.*[:;]))/.exec(head)?.[1];
  if (part === undefined || !/\d/.test(part) || part.split(' ').length > 5) return null;
  return nameOfHeading(part);
}

/** What a text calls itself: what its labels say of model and maker, else its first line. */
export function nameOf(text: string): { maker: string | null; model: string } | null {
  const lines = text
    .slice(0, HEAD_LENGTH)
    .split(/\r?\n/, HEAD_LINES)
    .map((line) =>
      line
        .slice(0, LONGEST_LINE)
        .replace(/^[\s#*=>-]+/, '')
        .trim(),
    );
  const labelled = (pattern: RegExp): string | null => {
    for (const line of lines) {
      const found = pattern.exec(foldText(line));
      if (found !== null) return line.slice(line.length - (found[1]?.length ?? 0)).trim();
    }
    return null;
  };
  const [model, maker] = [labelled(LABELLED), labelled(MAKER_LABEL)];
  const [head = '', next = ''] = lines.filter((line) => line !== '');
  const heading = LABELLED.test(foldText(head))
    ? null
    : (nameOfHeading(head) ?? nameOfPart(head) ?? (GENERIC.test(foldText(head)) ? nameOfHeading(next) : null));
  if (model === null) return heading === null ? null : { ...heading, maker: maker ?? heading.maker };
  if (maker !== null) return { maker, model: model.startsWith(`${maker} `) ? model.slice(maker.length + 1) : model };
  return heading !== null && `${heading.maker} ${heading.model}`.includes(model)
    ? heading
    : (nameOfHeading(model) ?? { maker: null, model });
}

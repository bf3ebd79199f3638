/** What a specification is of. */
export type About = 'machine' | 'board' | 'cpu';

/** Names of boards in the languages of specifications. */
const BOARD_NOUNS =
  'server board|hauptplatine|mainboard|motherboard|carte mere|placa[ -](?:base|madre|mae)|moederbord|scheda madre';
const BOARD =
  /(?<![a-z])(?:mother-?boards?|main-?boards?|system board|haupt(?:platine|platinen)|cartes? meres?|placas?[ -](?:base|madre|mae)|scheda madre|moederbord)(?![a-z])/g;
const ATX = /(?<![a-z])(?:micro|mini|e)?-?(?:atx|itx)(?![a-z])/;
const CPU =
  /(?<![a-z])(?:(?:number of |total |# of )?(?:cores|threads)|(?:processor )?base (?:frequency|clock)|basistakt|(?:turbo|boost) (?:frequency|clock)|boosttakt|tdp|lithography|max(?:imum|\.)? memory (?:size|bandwidth)|memory types?|(?:max(?:imum|\.)? )?(?:# of |number of )?memory channels|processor (?:number|data|specifications)|prozessordaten|kerne|nucleos|cœurs|coeurs|kernen|nuclei|speicherkanale|max(?:imum)? speichergrosse|frequence de base|frecuencia base|basisfrequentie|frequenza base|frequencia base|bus speed|integrated memory controller|thermal design power)(?![a-z])/g;
const MACHINE =
  /(?<![a-z])(?:laptop|notebook|desktop|workstation|all-in-one|tower|server|mini-?pc|display|bildschirm|ecran|pantalla|scherm|schermo|tela|battery|akku|batterie|bateria|accu|keyboard|tastatur|webcam|weight|gewicht|poids|peso|lid|bottom cover)(?![a-z])/g;

/** A sentence whose subject is a board, which is not one of a machine's. */
const BOARD_SUBJECT =
  /(?<![a-z])(?:this|the|das|die|la|cette|esta|de|het|deze|il|questa|a)(?: (?!system)[\w-]+)? (?:board|mainboard|motherboard|hauptplatine|carte mere|placa[ -](?:base|madre|mae)|moederbord|scheda madre)(?: (?:has|takes|supports|accepts|hat|unterstutzt|nimmt|possede|accepte|dispose|tiene|admite|dispone|heeft|ondersteunt|neemt|ha|supporta|tem|suporta|aceita)(?![a-z])|:)/;

const LEADING_BOARD = new RegExp(`^(?:${BOARD_NOUNS})(?![a-z])`);

/** A longer line is no name. */
const LONGEST_NAME = 80;

const count = (pattern: RegExp, text: string): number => new Set(text.match(pattern) ?? []).size;

/**
 * Is a folded text of a machine, a bare board or a CPU? A CPU's page names cores, clocks and what its controller takes, and
 * no slots; a board's calls itself one.
 */
export function aboutOf(
  text: string,
  head: string,
  { hasSlots, isOverclocked }: { hasSlots: boolean; isOverclocked: boolean },
): About {
  if (head.length <= LONGEST_NAME && !/\d ?[gm][bo](?![a-z])/.test(head) && count(BOARD, head) > 0) return 'board';
  if (BOARD_SUBJECT.test(text) || LEADING_BOARD.test(text)) return 'board';
  const cpu = count(CPU, text);
  if (
    /(?<![a-z])(?:cpu|processor|prozessor|processeur|procesador|processore|processador)(?![a-z])/.test(head) &&
    cpu > 0 &&
    !hasSlots
  )
    return 'cpu';
  if (cpu >= 2 && !hasSlots && count(MACHINE, text) <= 1) return 'cpu';
  // Lists of overclock rates are what boards have.
  if ((ATX.test(text) || isOverclocked) && count(MACHINE, text) <= 1) return 'board';
  return 'machine';
}

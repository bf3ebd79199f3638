/** How a module is drawn: what it is to the eye before any word. */
export type BarLook = 'fitted' | 'new' | 'leaving' | 'empty' | 'soldered' | 'asked' | 'blocked';

interface ModuleBarProps {
  x: number;
  y: number;
  width: number;
  height: number;
  look: BarLook;
  text: string;
  /** further words, on a second line where there is room for it */
  detail?: string;
  /** a word on what may become of it, at the end of the first line */
  flag?: string;
  /** where the keys of its edge are, as shares from the left */
  keys?: readonly number[];
}

const FILLS: Record<BarLook, string> = {
  fitted: 'fill-board',
  new: 'fill-act',
  leaving: 'fill-none',
  empty: 'fill-none',
  soldered: 'fill-board',
  asked: 'fill-act-soft',
  blocked: 'fill-sunk',
};

const TEXTS: Record<BarLook, string> = {
  fitted: 'fill-board-ink',
  new: 'fill-on-act',
  leaving: 'fill-ink-2',
  empty: 'fill-ink-2',
  soldered: 'fill-board-ink',
  asked: 'fill-ink',
  blocked: 'fill-ink-2',
};

/** Width of a key's notch, px. */
const NOTCH = 7;
/** From this height on there is room for two lines. */
const TWO_LINES = 34;

/** Outline of a module with its keys cut out of the lower edge. */
function bodyPath(x: number, y: number, width: number, body: number, keys: readonly number[]): string {
  const cuts = [...keys]
    .sort((a, b) => b - a)
    .map((key) => `H${x + width * key + NOTCH / 2}v-4h${-NOTCH}v4`)
    .join('');
  return `M${x} ${y}h${width}v${body}${cuts}H${x}z`;
}

/** The contacts along the lower edge, left out where a key is. */
function contactsPath(x: number, y: number, width: number, keys: readonly number[]): string {
  const edges = [0, ...keys.flatMap((key) => [key, key]), 1];
  const pieces: string[] = [];
  for (let at = 0; at < edges.length; at += 2) {
    const from = x + width * (edges[at] ?? 0) + (at === 0 ? 3 : NOTCH / 2 + 2);
    const to = x + width * (edges[at + 1] ?? 1) - (at === edges.length - 2 ? 3 : NOTCH / 2 + 2);
    if (to > from) pieces.push(`M${from} ${y}H${to}`);
  }
  return pieces.join('');
}

/** What a module is drawn on: chips on the board, a module with contacts, or the frame of a socket. */
function Body({
  x,
  y,
  width,
  height,
  look,
  keys,
}: Required<Pick<ModuleBarProps, 'x' | 'y' | 'width' | 'height' | 'look' | 'keys'>>) {
  const body = height - 4;
  if (look === 'soldered') {
    return (
      <>
        <rect x={x} y={y} width={width} height={body} rx="1" className="fill-board" />
        {[0, 1, 2, 3].map((pin) => (
          <path
            key={pin}
            d={`M${x + 8 + (pin * (width - 16)) / 3} ${y - 3}v3m0 ${body}v3`}
            className="stroke-board"
            strokeWidth="3"
          />
        ))}
      </>
    );
  }
  const hollow = look === 'leaving' || look === 'empty' || look === 'asked' || look === 'blocked';
  const dash = look === 'empty' ? '4 3' : look === 'leaving' ? '1.5 2.5' : undefined;
  return (
    <>
      <path
        d={bodyPath(x, y, width, body, keys)}
        className={`${FILLS[look]} ${hollow ? 'stroke-edge' : ''}`}
        strokeWidth={hollow ? 1.4 : 0}
        strokeDasharray={dash}
      />
      {look === 'blocked' && (
        <path
          d={`M${x} ${y + body}L${x + width} ${y}M${x} ${y}L${x + width} ${y + body}`}
          className="stroke-edge"
          strokeWidth="1"
        />
      )}
      {!hollow && (
        <path
          d={contactsPath(x, y + height - 2, width, keys)}
          className="stroke-contact"
          strokeWidth="3"
          strokeDasharray="2 1.6"
        />
      )}
    </>
  );
}

/** A module seen from its side, with contacts and keys; soldered memory as chips on the board. */
export function ModuleBar({ x, y, width, height, look, text, detail, flag, keys = [0.72] }: ModuleBarProps) {
  const body = height - 4;
  const two = height >= TWO_LINES && detail !== undefined && detail !== '';
  const first = two ? y + body / 2 - 3.5 : y + body / 2 + 4.5;
  return (
    <g>
      <Body x={x} y={y} width={width} height={height} look={look} keys={keys} />
      <text
        x={x + 7}
        y={first}
        className={`${TEXTS[look]} text-[13px] font-semibold`}
        textDecoration={look === 'leaving' ? 'line-through' : undefined}
      >
        {text}
      </text>
      {flag !== undefined && (
        <text
          x={x + width - 6}
          y={first}
          textAnchor="end"
          className={`${TEXTS[look]} text-[12px] font-semibold narrow`}
        >
          {flag}
        </text>
      )}
      {two && (
        <text x={x + 7} y={y + body / 2 + 10} className={`${TEXTS[look]} text-[12px] narrow`}>
          {detail}
        </text>
      )}
      {!two && detail !== undefined && flag === undefined && (
        <text x={x + width - 7} y={first} textAnchor="end" className={`${TEXTS[look]} text-[12px] narrow`}>
          {detail}
        </text>
      )}
    </g>
  );
}

/** How a module is drawn: what it is to the eye before any word. */
export type BarLook = 'fitted' | 'new' | 'leaving' | 'empty' | 'soldered' | 'asked';

interface ModuleBarProps {
  x: number;
  y: number;
  width: number;
  height: number;
  look: BarLook;
  text: string;
}

const FILLS: Record<BarLook, string> = {
  fitted: 'fill-board',
  new: 'fill-act',
  leaving: 'fill-none',
  empty: 'fill-none',
  soldered: 'fill-board',
  asked: 'fill-act-soft',
};

const TEXTS: Record<BarLook, string> = {
  fitted: 'fill-board-ink',
  new: 'fill-on-act',
  leaving: 'fill-ink-2',
  empty: 'fill-ink-2',
  soldered: 'fill-board-ink',
  asked: 'fill-ink',
};

/** A module seen from its side, with contacts and notch; soldered memory as chips on the board. */
export function ModuleBar({ x, y, width, height, look, text }: ModuleBarProps) {
  const notch = x + width * 0.72;
  const body = height - 4;
  const hollow = look === 'leaving' || look === 'empty' || look === 'asked';
  return (
    <g>
      {look === 'soldered' ? (
        <g className="fill-board">
          <rect x={x} y={y} width={width} height={body} rx="1" />
          {[0, 1, 2, 3].map((pin) => (
            <path
              key={pin}
              d={`M${x + 8 + (pin * (width - 16)) / 3} ${y - 3}v3m0 ${body}v3`}
              className="stroke-board"
              strokeWidth="3"
            />
          ))}
        </g>
      ) : (
        <>
          <path
            d={hollow ? `M${x} ${y}h${width}v${body}H${x}z` : `M${x} ${y}h${width}v${body}H${notch + 7}v-4h-7v4H${x}z`}
            className={`${FILLS[look]} ${hollow ? 'stroke-edge' : ''}`}
            strokeWidth={hollow ? 1.4 : 0}
            strokeDasharray={look === 'empty' ? '4 3' : look === 'leaving' ? '1.5 2.5' : undefined}
          />
          {!hollow && (
            <path
              d={`M${x + 3} ${y + height - 2}H${notch - 2}M${notch + 9} ${y + height - 2}H${x + width - 3}`}
              className="stroke-contact"
              strokeWidth="3"
              strokeDasharray="2 1.6"
            />
          )}
        </>
      )}
      <text
        x={x + 8}
        y={y + body / 2 + 4.5}
        className={`${TEXTS[look]} text-[13px] font-semibold`}
        textDecoration={look === 'leaving' ? 'line-through' : undefined}
      >
        {text}
      </text>
    </g>
  );
}

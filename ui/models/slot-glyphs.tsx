import { useTranslations } from '#translations';

const MOST_DRAWN = 8;

/** A model's slots at a glance: an open frame for a socket, a chip for what is soldered. */
export function SlotGlyphs({ sockets, soldered }: { sockets: number; soldered: number }) {
  const t = useTranslations('models');
  const words = `${t('slots.count', { sockets })}${soldered > 0 ? t('slots.soldered', { soldered }) : ''}`;
  const all = [...Array.from({ length: soldered }, () => true), ...Array.from({ length: sockets }, () => false)];
  // A server's sockets would fill the line: their number says it.
  const marks = all.length > MOST_DRAWN ? all.slice(0, MOST_DRAWN - 3) : all;
  return (
    <svg width={marks.length * 13 + (marks.length < all.length ? 34 : 2)} height="24" role="img" aria-label={words}>
      {marks.map((chip, index) => (
        <rect
          // biome-ignore lint/suspicious/noArrayIndexKey: the marks are alike and never move
          key={index}
          x={index * 13 + 2}
          y="2"
          width="8"
          height="20"
          rx="1"
          className={chip ? 'fill-board stroke-board' : 'fill-none stroke-edge'}
          strokeWidth="1.6"
        />
      ))}
      {marks.length < all.length && (
        <text x={marks.length * 13 + 4} y="17" className="fill-ink text-[13px] font-semibold">
          …{all.length}
        </text>
      )}
    </svg>
  );
}

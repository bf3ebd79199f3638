/** A model's slots at a glance: an open frame for a socket, a chip for what is soldered. */
export function SlotGlyphs({ sockets, soldered }: { sockets: number; soldered: number }) {
  const words = `${sockets} ${sockets === 1 ? 'socket' : 'sockets'}${soldered > 0 ? `, ${soldered} soldered` : ''}`;
  const marks = [...Array.from({ length: soldered }, () => true), ...Array.from({ length: sockets }, () => false)];
  return (
    <svg width={marks.length * 13 + 2} height="24" role="img" aria-label={words}>
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
    </svg>
  );
}

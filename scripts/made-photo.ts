import sharp from 'sharp';

/** Letters of a picture as drawings have them. */
const escaped = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;');

/** A made photograph of a label: lines of text on a pale ground, as PNG. */
export async function labelPhoto(lines: readonly string[], width = 900): Promise<Buffer> {
  const height = 80 + lines.length * 60;
  const texts = lines.map(
    (line, nr) =>
      `<text x="30" y="${70 + nr * 60}" font-family="DejaVu Sans" font-size="44" fill="#111">${escaped(line)}</text>`,
  );
  const drawing = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><rect width="100%" height="100%" fill="#f4f4ee"/>${texts.join('')}</svg>`;
  return sharp(Buffer.from(drawing)).png().toBuffer();
}

import { readFileSync } from 'node:fs';
import sharp from 'sharp';
import { prepareZXingModule, writeBarcode } from 'zxing-wasm/writer';
import { packageFile } from '../../runtime/programs';

/** Letters of a picture as drawings have them. */
const escaped = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;');

/** A made photograph of a label: lines of text on a pale ground, as PNG. */
export async function labelPhoto(lines: readonly string[], width = 900): Promise<Buffer> {
  return drawn({ lines, width });
}

/** A code on a label: what it says, and in which symbology. */
export interface DrawnCode {
  text: string;
  symbology: 'QRCode' | 'DataMatrix' | 'Code128';
}

export interface Drawing {
  lines: readonly string[];
  codes?: readonly DrawnCode[];
  /** letters' height, pixels; a line's is a third more */
  size?: number;
  width?: number;
  font?: 'DejaVu Sans' | 'DejaVu Sans Mono' | 'DejaVu Serif';
  bold?: boolean;
  ink?: string;
  ground?: string;
}

let isReady = false;

/** A code as PNG. */
export async function codePicture({ text, symbology }: DrawnCode): Promise<Buffer> {
  if (!isReady) {
    const wasm = readFileSync(packageFile('zxing-wasm/dist/writer/zxing_writer.wasm'));
    prepareZXingModule({ overrides: { wasmBinary: new Uint8Array(wasm).buffer } });
    isReady = true;
  }
  const { image, error } = await writeBarcode(text, { format: symbology, scale: symbology === 'Code128' ? 3 : 6 });
  if (image === null) throw new Error(error);
  return Buffer.from(await image.arrayBuffer());
}

/** A label or a screen straight on: its lines, its codes below them. */
export async function drawn(drawing: Drawing): Promise<Buffer> {
  const { lines, codes = [], size = 44, font = 'DejaVu Sans', bold = false } = drawing;
  const { width = 900, ink = '#111', ground = '#f4f4ee' } = drawing;
  const step = Math.round(size * 1.36);
  const pictures = await Promise.all(codes.map(codePicture));
  const sizes = await Promise.all(pictures.map((picture) => sharp(picture).metadata()));
  const below = Math.max(0, ...sizes.map(({ height = 0 }) => height));
  const height = size + lines.length * step + 20 + (below === 0 ? 0 : below + 30);
  const texts = lines.map(
    (line, nr) =>
      `<text x="30" y="${size + 26 + nr * step}" font-family="${font}" font-weight="${bold ? 'bold' : 'normal'}" font-size="${size}" fill="${ink}" xml:space="preserve">${escaped(line)}</text>`,
  );
  const drawingText = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><rect width="100%" height="100%" fill="${ground}"/>${texts.join('')}</svg>`;
  let left = 30;
  const placed = pictures.map((input, nr) => {
    const at = { input, left, top: height - below - 25 };
    left += (sizes[nr]?.width ?? 0) + 50;
    return at;
  });
  return sharp(Buffer.from(drawingText)).composite(placed).png().toBuffer();
}

/** What befalls a label on its way to a picture. */
export interface Treatment {
  /** how much shorter the far side is, as a share */
  perspective?: number;
  /** degrees by which the camera was not held straight */
  tilt?: number;
  /** degrees clockwise by which the picture lies */
  turned?: 0 | 90 | 180 | 270;
  /** blur, pixels */
  blur?: number;
  /** noise, in steps of 255 */
  noise?: number;
  /** how much light a lamp throws back, 0 to 1 */
  glare?: number;
  /** how dark the far corner is, 0 to 1 */
  shade?: number;
  /** what lies around the label */
  around?: string;
  /** quality of the JPEG */
  quality?: number;
}

/** Numbers between 0 and 1 that are the same each time (a linear congruential row). */
function numbers(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 2 ** 32;
  };
}

type Point = readonly [number, number];

/** The plane mapping that takes the unit square to four points (Heckbert, 1989). */
function mapping([a, b, c, d]: readonly [Point, Point, Point, Point]): (x: number, y: number) => Point {
  const [dx1, dx2] = [b[0] - c[0], d[0] - c[0]];
  const [dy1, dy2] = [b[1] - c[1], d[1] - c[1]];
  const [sx, sy] = [a[0] - b[0] + c[0] - d[0], a[1] - b[1] + c[1] - d[1]];
  const whole = dx1 * dy2 - dx2 * dy1;
  const g = (sx * dy2 - dx2 * sy) / whole;
  const h = (dx1 * sy - sx * dy1) / whole;
  const [ux, uy] = [b[0] - a[0] + g * b[0], b[1] - a[1] + g * b[1]];
  const [vx, vy] = [d[0] - a[0] + h * d[0], d[1] - a[1] + h * d[1]];
  return (x, y) => {
    const depth = g * x + h * y + 1;
    return [(ux * x + vx * y + a[0]) / depth, (uy * x + vy * y + a[1]) / depth];
  };
}

/** A picture as if it was taken by hand (JPEG). @param seed of its noise */
export async function photographed(label: Buffer, treatment: Treatment, seed = 1): Promise<Buffer> {
  const { perspective = 0, tilt = 0, turned = 0, blur = 0, noise = 0, glare = 0, shade = 0 } = treatment;
  const { around = '#1d3b2a', quality = 82 } = treatment;
  const edge = 120;
  const framed = await sharp(label)
    .extend({ top: edge, bottom: edge, left: edge, right: edge, background: around })
    .rotate(tilt, { background: around })
    .flatten({ background: around })
    .raw()
    .toBuffer({ resolveWithObject: true });
  const { width, height } = framed.info;
  const pixels = framed.data;
  const out = Buffer.alloc(width * height * 3);
  const random = numbers(seed);
  // Where the point of the picture lies on the label: its far side is squeezed, so it is looked up further out.
  const far = perspective / 2;
  const from = mapping([
    [-far * width, 0],
    [width * (1 + far), 0],
    [width, height],
    [0, height],
  ]);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const [sourceX, sourceY] = perspective === 0 ? [x, y] : from(x / width, y / height);
      const [left, top] = [Math.floor(sourceX), Math.floor(sourceY)];
      const isIn = left >= 0 && top >= 0 && left < width - 1 && top < height - 1;
      const [shareX, shareY] = [sourceX - left, sourceY - top];
      const lamp = glare * 255 * Math.exp(-(((x / width - 0.65) / 0.18) ** 2) - ((y / height - 0.4) / 0.3) ** 2);
      const dark = 1 - shade * ((x / width) * 0.6 + (y / height) * 0.4);
      const grain = noise === 0 ? 0 : (random() + random() + random() - 1.5) * 2 * noise;
      for (let channel = 0; channel < 3; channel++) {
        const at = (py: number, px: number): number => pixels[(py * width + px) * 3 + channel] ?? 0;
        const value = isIn
          ? at(top, left) * (1 - shareX) * (1 - shareY) +
            at(top, left + 1) * shareX * (1 - shareY) +
            at(top + 1, left) * (1 - shareX) * shareY +
            at(top + 1, left + 1) * shareX * shareY
          : 30;
        out[(y * width + x) * 3 + channel] = Math.max(0, Math.min(255, Math.round(value * dark + lamp + grain)));
      }
    }
  }
  const picture = sharp(out, { raw: { width, height, channels: 3 } });
  return (blur > 0 ? picture.blur(blur) : picture).rotate(turned).jpeg({ quality }).toBuffer();
}

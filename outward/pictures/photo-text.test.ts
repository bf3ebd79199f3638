import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { photoText } from '../../core/reading/photo/photo-words';
import { drawn, labelPhoto } from '../testing/made-photo';
import { keptPicture } from './kept-picture';
import { openPicture } from './open-picture';
import { endPhotoThread, type PhotoProgress, readPicture } from './photo-text';

afterAll(endPhotoThread);

const LABEL = ['Vellamo', '8GB 1Rx8 PC4-2666V-SE1-11'];

const linesOf = async (picture: Buffer): Promise<string> => {
  const read = await readPicture(picture);
  return read.ok ? photoText(read.lines) : read.code;
};

describe('the words of a photograph', () => {
  it('are read line by line, each with its place and how sure it is; one is told how far it is', async () => {
    const told: PhotoProgress[] = [];
    const read = await readPicture(await labelPhoto(LABEL), (progress) => told.push(progress));
    if (!read.ok) throw new Error(read.code);
    expect(read.fault).toBe(null);
    expect(photoText(read.lines)).toBe(LABEL.join('\n'));
    for (const { left, top, width, height, confidence } of read.lines.flat()) {
      expect(Math.min(left, top)).toBeGreaterThanOrEqual(0);
      expect(Math.max(left + width, top + height)).toBeLessThanOrEqual(1);
      expect(confidence).toBeGreaterThan(60);
    }
    expect(told[0]).toEqual({ step: 'opening', share: 0 });
    expect(told.at(-1)?.step).toBe('reading');
    const shares = told.filter(({ step }) => step === 'reading').map(({ share }) => share);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(shares.every((share) => share >= 0 && share <= 1)).toBe(true);
  }, 60_000);

  test.each([90, 180])(
    'are read of a picture that lies turned by %d, which is kept upright',
    async (turned) => {
      const upright = await labelPhoto(LABEL);
      const { width, height } = await sharp(upright).metadata();
      const read = await readPicture(await sharp(upright).rotate(turned).png().toBuffer());
      if (!read.ok) throw new Error(read.code);
      expect(photoText(read.lines)).toContain('PC4-2666V-SE1-11');
      expect([read.kept.width, read.kept.height]).toEqual([width, height]);
    },
    60_000,
  );

  it('are read of a telephone’s HEIC and of a WebP', async () => {
    const heic = readFileSync(join(__dirname, '..', 'testing', 'label.heic'));
    expect(await linesOf(heic)).toBe(LABEL.join('\n'));
    expect(
      await linesOf(
        await sharp(await labelPhoto(LABEL))
          .webp()
          .toBuffer(),
      ),
    ).toBe(LABEL.join('\n'));
    expect(await linesOf(heic.subarray(0, 900))).toBe('no-picture');
  }, 60_000);

  test.each([
    ['no-picture', Buffer.from('hello')],
    ['no-picture', Buffer.alloc(0)],
    ['no-picture', Buffer.from('\u0089PNG\r\n\u001a\n', 'latin1')],
    ['no-picture', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="10" height="10"/>')],
    ['no-picture', Buffer.from('\0\0\0\u0018ftypheic\0\0\0\0', 'latin1')],
  ])('are refused as %s', async (code, bytes) => {
    expect(await linesOf(bytes)).toBe(code);
  });

  it('are none of an empty ground, which is kept, nor of a picture that is too large', async () => {
    const ground = { width: 400, height: 300, channels: 3, background: '#eee' } as const;
    expect(await readPicture(await sharp({ create: ground }).png().toBuffer())).toMatchObject({
      ok: true,
      fault: 'no-words',
      lines: [],
      kept: { width: 400, height: 300 },
    });
    const large = { ...ground, width: 6_000, height: 5_000 };
    expect(await linesOf(await sharp({ create: large }).png().toBuffer())).toBe('too-many-pixels');
  }, 60_000);

  it('stand beside its codes, whose shapes are no words', async () => {
    const codes = [
      { text: 'TM32-3200S', symbology: 'Code128' },
      { text: 'https://shop.example/jobs/12/intake', symbology: 'QRCode' },
    ] as const;
    const read = await readPicture(await drawn({ lines: LABEL, codes }));
    if (!read.ok) throw new Error(read.code);
    expect(read.codes.map(({ text, symbology }) => [symbology, text]).sort()).toEqual([
      ['Code128', 'TM32-3200S'],
      ['QRCode', 'https://shop.example/jobs/12/intake'],
    ]);
    expect(photoText(read.lines)).toBe(LABEL.join('\n'));
    expect(read.unnamed).toEqual(['TM32-3200S']);
  }, 60_000);

  it('are read one picture after the other, and a crowd is asked to come back', async () => {
    const picture = await labelPhoto(['8GB']);
    const reads = await Promise.all(Array.from({ length: 8 }, () => readPicture(picture)));
    expect(reads.filter((read) => read.ok)).toHaveLength(6);
    expect(reads.filter((read) => !read.ok).map((read) => !read.ok && read.code)).toEqual(['too-many', 'too-many']);
  }, 60_000);
});

describe('a photograph as it is kept', () => {
  it('says nothing of where it was taken, and is small', async () => {
    const spot = {
      IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '54/1 20/1 0/1', GPSLongitudeRef: 'W', GPSLongitude: '1/1 0/1 0/1' },
    };
    const side = 3_000;
    const noise = Buffer.from(Array.from({ length: side * side * 3 }, (_, at) => (at * 7919 * (at % 97)) & 255));
    const sent = await sharp(noise, { raw: { width: side, height: side, channels: 3 } })
      .withExif(spot)
      .jpeg({ quality: 95 })
      .toBuffer();
    expect((await sharp(sent).metadata()).exif?.includes('N')).toBe(true);
    const picture = await openPicture(sent);
    if (typeof picture === 'string') throw new Error(picture);
    const kept = await keptPicture(picture, 90);
    const { exif, icc, xmp, format } = await sharp(kept.jpeg).metadata();
    expect([exif, icc, xmp, format]).toEqual([undefined, undefined, undefined, 'jpeg']);
    expect(Math.max(kept.width, kept.height)).toBeLessThanOrEqual(1600);
    expect(kept.jpeg.length).toBeLessThanOrEqual(1_000_000);
  }, 90_000);
});

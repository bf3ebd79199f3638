import sharp from 'sharp';
import { labelPhoto } from '../scripts/made-photo';
import { endPhotoThread, photoWords } from './photo-text';

afterAll(endPhotoThread);

const wordsOf = async (picture: Buffer): Promise<string[]> => {
  const read = await photoWords(picture);
  return read.ok ? read.lines.flat().map(({ text }) => text) : [read.code];
};

describe('the words of a photograph', () => {
  const LABEL = ['Vellamo', '8GB 1Rx8 PC4-2666V-SE1-11'];

  it('are read line by line, each with its place and how sure it is', async () => {
    const read = await photoWords(await labelPhoto(LABEL));
    if (!read.ok) throw new Error(read.code);
    expect(read.turned).toBe(0);
    expect(read.lines.map((line) => line.map(({ text }) => text).join(' '))).toEqual(LABEL);
    for (const { left, top, width, height, confidence } of read.lines.flat()) {
      expect(Math.min(left, top)).toBeGreaterThanOrEqual(0);
      expect(Math.max(left + width, top + height)).toBeLessThanOrEqual(1);
      expect(confidence).toBeGreaterThan(60);
    }
  }, 60_000);

  it('are read of a picture that lies on its side or on its head', async () => {
    const upright = await labelPhoto(LABEL);
    for (const turned of [90, 180]) {
      const words = await wordsOf(await sharp(upright).rotate(turned).png().toBuffer());
      expect(words).toContain('PC4-2666V-SE1-11');
    }
  }, 60_000);

  test.each([
    ['no-picture', Buffer.from('hello')],
    ['no-picture', Buffer.alloc(0)],
    ['no-picture', Buffer.from('\u0089PNG\r\n\u001a\n', 'latin1')],
  ])('are refused as %s', async (code, bytes) => {
    expect(await wordsOf(bytes)).toEqual([code]);
  });

  it('are none of an empty ground, nor of a picture that is too large', async () => {
    const ground = { width: 400, height: 300, channels: 3, background: '#eee' } as const;
    expect(await wordsOf(await sharp({ create: ground }).png().toBuffer())).toEqual(['no-words']);
    const large = { ...ground, width: 6_000, height: 5_000 };
    expect(await wordsOf(await sharp({ create: large }).png().toBuffer())).toEqual(['too-many-pixels']);
  }, 60_000);
});

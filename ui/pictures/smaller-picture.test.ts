import { MOST_PICTURE_PIXELS } from '@/runtime/body-limits';
import { isPicture, shrinkage } from './smaller-picture';

describe('a picture before it is sent', () => {
  it('is one by its type, a telephone’s by its name', () => {
    expect(isPicture({ type: 'image/jpeg', name: 'a.jpg' })).toBe(true);
    expect(isPicture({ type: 'image/heic', name: 'a.heic' })).toBe(true);
    expect(isPicture({ type: '', name: 'IMG_1.HEIC' })).toBe(true);
    expect(isPicture({ type: '', name: 'tables.bin' })).toBe(false);
    expect(isPicture({ type: 'image/svg+xml', name: 'a.svg' })).toBe(false);
  });

  it('is made smaller where it has too many pixels', () => {
    expect(shrinkage(4000, 3000, 5_000_000)).toBe(1);
    const share = shrinkage(8000, 6000, 9_000_000);
    expect(8000 * share * (6000 * share)).toBeLessThanOrEqual(MOST_PICTURE_PIXELS + 1);
    expect(share).toBeCloseTo(0.51, 2);
  });
});

import { IS_LONG } from '../../testing/amount';
import { MADE_PHOTOS, madePhoto } from '../testing/made-photos';
import { type PhotoScore, scorePhoto } from '../testing/photo-score';
import { endPhotoThread, readPicture } from './photo-text';

afterAll(endPhotoThread);

// All thirty in the long run; of each kind some here.
const BRIEFLY = ['turned by a quarter', 'lid, German', 'firmware, slots by name'];
const PHOTOS = IS_LONG ? MADE_PHOTOS : MADE_PHOTOS.filter(({ name }) => BRIEFLY.includes(name));

const sum = (scores: readonly PhotoScore[], field: 'fields' | 'right' | 'rightAsked'): number =>
  scores.reduce((total, score) => total + score[field], 0);

test('made photographs: nine fields of ten of a label right, none wrong without being asked about', async () => {
  const scores: (PhotoScore & { isLabel: boolean })[] = [];
  for (const photo of PHOTOS) {
    const read = await readPicture(await madePhoto(photo));
    if (!read.ok) throw new Error(`${photo.name}: ${read.code}`);
    scores.push({ ...scorePhoto(photo, read), isLabel: photo.kind === 'module' || photo.kind === 'lid' });
  }
  expect(scores.flatMap(({ name, silent }) => silent.map((one) => `${name}: ${one}`))).toEqual([]);
  const labels = scores.filter(({ isLabel }) => isLabel);
  console.log(
    `${PHOTOS.length} photographs: ${sum(scores, 'right')} of ${sum(scores, 'fields')} fields right unasked, ${sum(scores, 'rightAsked')} once asked; of labels ${sum(labels, 'right')} of ${sum(labels, 'fields')}`,
  );
  expect(sum(labels, 'right')).toBeGreaterThanOrEqual(0.9 * sum(labels, 'fields'));
  expect(sum(labels, 'rightAsked')).toBeGreaterThanOrEqual(0.95 * sum(labels, 'fields'));
}, 240_000);

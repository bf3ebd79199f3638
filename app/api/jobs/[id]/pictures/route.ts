import { handleTold, idOf } from '@/app/handle';
import { MOST_PICTURE_BYTES } from '@/runtime/body-limits';
import { pictureStationSchema, takePicture } from '@/service/job/intake/pictures';
import { fault } from '@/service/result';

/**
 * Keeps a photograph and reads its words: `?at=` the station that it is for, `&words=no` where it is a picture alone. As
 * `application/x-ndjson` it tells line by line how far it is.
 */
export const POST = handleTold('jobs.write', MOST_PICTURE_BYTES, (caller, { name, input, query }, params, tell) => {
  const station = pictureStationSchema.safeParse(query.get('at') ?? 'intake');
  if (!station.success) return Promise.resolve(fault('bad-input', 'A picture is for intake, fitting or proof.'));
  const sent = { name, input, station: station.data, plain: query.get('words') === 'no' };
  return takePicture(caller, idOf(params), sent, tell);
});

import { MOST_PICTURE_BYTES, MOST_PICTURE_PIXELS } from '@/runtime/body-limits';

const QUALITY = 0.92;

/** Is a file a picture, whose words are read off it? Telephones call some of theirs by no type. */
export const isPicture = ({ type, name }: { type: string; name: string }): boolean =>
  /^image\/(?:png|jpe?g|webp|hei[cf])$/.test(type) || (type === '' && /\.hei[cf]$/i.test(name));

/** How much smaller a picture's sides must be; 1: it may go as it is. */
export function shrinkage(width: number, height: number, bytes: number): number {
  const pixels = width * height;
  if (pixels <= MOST_PICTURE_PIXELS && bytes <= MOST_PICTURE_BYTES) return 1;
  return Math.min(1, Math.sqrt(MOST_PICTURE_PIXELS / pixels));
}

/** A picture of a size that is taken: a large one made smaller here, one that the browser cannot open as it is. */
export async function smallerPicture(file: File): Promise<File> {
  try {
    const picture = await createImageBitmap(file);
    const share = shrinkage(picture.width, picture.height, file.size);
    if (share === 1 && file.size <= MOST_PICTURE_BYTES) return file;
    const canvas = document.createElement('canvas');
    canvas.width = Math.floor(picture.width * share);
    canvas.height = Math.floor(picture.height * share);
    canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
    picture.close();
    const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', QUALITY));
    return blob === null ? file : new File([blob], file.name, { type: 'image/jpeg' });
  } catch {
    return file;
  }
}

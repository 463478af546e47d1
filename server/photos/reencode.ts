import sharp from 'sharp';
import { ProblemError } from '../problems.ts';

/** What a phone sends is no larger than this, bytes. */
export const PHOTO_LIMIT_BYTES = 20 * 1024 * 1024;
const LONG_SIDE_PX = 2400;
const THUMB_PX = 320;
/** More than any phone takes; a small file that unfolds to more is refused before it is unfolded. */
const MOST_PIXELS = 120_000_000;
const TAKEN = new Set(['jpeg', 'png', 'webp', 'avif', 'heif', 'tiff']);

export interface Reencoded {
  full: Buffer;
  thumb: Buffer;
  width: number;
  height: number;
}

/**
 * A photo made anew: upright, no larger than needed, as JPEG, and without what the camera wrote into it. Only when the
 * position is wanted is its EXIF block kept.
 */
export async function reencode(bytes: Buffer, keepPosition: boolean): Promise<Reencoded> {
  try {
    const source = () => sharp(bytes, { failOn: 'error', limitInputPixels: MOST_PIXELS });
    const { format } = await source().metadata();
    if (!TAKEN.has(format)) throw new Error(format);
    const upright = source()
      .rotate()
      .resize({
        width: LONG_SIDE_PX,
        height: LONG_SIDE_PX,
        fit: 'inside',
        withoutEnlargement: true,
      })
      .jpeg({ quality: 82 });
    const { data: full, info } = await (keepPosition ? upright.keepExif() : upright).toBuffer({
      resolveWithObject: true,
    });
    const thumb = await sharp(full)
      .resize({ width: THUMB_PX, height: THUMB_PX, fit: 'cover' })
      .jpeg({ quality: 72 })
      .toBuffer();
    return { full, thumb, width: info.width, height: info.height };
  } catch {
    throw new ProblemError(
      400,
      'Bad input',
      'The photo was not stored: the file cannot be read as a picture. JPEG, PNG, WebP and AVIF are taken; a phone set to HEIC has a setting for JPEG.',
      [{ path: '', message: 'is not a picture that can be read' }],
    );
  }
}

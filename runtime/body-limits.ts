/** Limits of what may be sent in one request, bytes. The gate and the route handlers hold to the same ones. */

/** a quote's answer by its link: a name, up to 20 statements, 2,000 letters */
export const MOST_ANSWER_BYTES = 16 * 1024;
/** a name, a password, a path */
export const MOST_SIGN_IN_BYTES = 4 * 1024;
/** who a new shop is, with its first owner */
export const MOST_OPENING_BYTES = 16 * 1024;
/** what staff's pages send as JSON */
export const MOST_JSON_BYTES = 256 * 1024;
/** one input to read: a report may have so much text */
export const MOST_READING_BYTES = 8 * 1024 * 1024;
/** readings that are dropped at once */
export const MOST_READINGS = 20;
/** all readings of one request, with what frames them */
export const MOST_READINGS_BYTES = 32 * 1024 * 1024;
/** a photograph whose words are read: a telephone's picture is smaller */
export const MOST_PICTURE_BYTES = 12 * 1024 * 1024;
/** its pixels: a telephone's 12 megapixels, which are some more; a browser makes larger ones smaller before they are sent */
export const MOST_PICTURE_PIXELS = 12_500_000;
export const MOST_PHOTO_BYTES = 2 * 1024 * 1024;
export const MOST_LOGO_BYTES = 1_000_000;
/** a seller's price list: written to the database piece by piece */
export const MOST_LIST_BYTES = 512 * 1024 * 1024;
/** what of a body that is streamed is in memory at one time */
export const STREAMED_BYTES = 1024 * 1024;

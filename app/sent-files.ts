import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream } from 'node:stream/web';
import busboy from 'busboy';
import { MOST_READINGS, MOST_READINGS_BYTES } from '@/runtime/body-limits';
import { done, fault, type Result } from '@/service/result';
import { storable } from './storable';

/** A file that was sent, whole. */
export interface WholeFile {
  name: string;
  input: Uint8Array;
}

export interface SentParts {
  fields: Record<string, string>;
  files: WholeFile[];
}

const MOST_FIELDS = 4;
const MOST_FIELD_BYTES = 1_000;

/** The name of a file as a list shows it: printable, of some length, never empty. */
export function fileName(sent: string | null | undefined, otherwise: string): string {
  const name = storable(sent ?? '')
    .replace(/\p{C}/gu, '')
    .trim();
  return name.slice(0, 200) || otherwise;
}

const CUT_OFF = 'The files did not come whole: send them again.';

const mebibytes = (bytes: number): number => Math.floor(bytes / (1024 * 1024));

/**
 * The files and fields of a form (RFC 7578), read as they come and no further than the limits.
 *
 * @param mostBytes of one file
 */
export async function readParts(request: Request, mostBytes: number): Promise<Result<SentParts>> {
  const type = request.headers.get('content-type') ?? '';
  if (request.body === null || !/^multipart\/form-data\s*;/i.test(type))
    return fault('bad-input', 'Send the files as multipart/form-data.');
  const fields: Record<string, string> = Object.create(null);
  const files: WholeFile[] = [];
  let wrong: string | null = null;
  let bytes = 0;
  try {
    const limits = { fields: MOST_FIELDS, fieldSize: MOST_FIELD_BYTES, fileSize: mostBytes + 1, files: MOST_READINGS };
    const form = busboy({ headers: { 'content-type': type }, limits, defParamCharset: 'utf8' });
    form.on('field', (name, value) => {
      fields[name] = storable(value);
    });
    form.on('filesLimit', () => {
      wrong = `At most ${MOST_READINGS} files at once, please.`;
    });
    form.on('file', (_, stream, { filename }) => {
      const pieces: Buffer[] = [];
      // A form that breaks off ends its files with it: the form itself says so below.
      stream.on('error', () => {
        wrong = CUT_OFF;
      });
      stream.on('data', (piece: Buffer) => {
        bytes += piece.length;
        if (bytes <= MOST_READINGS_BYTES) pieces.push(piece);
        else wrong = `Together these have over ${mebibytes(MOST_READINGS_BYTES)} MiB: send a few at a time.`;
      });
      stream.once('limit', () => {
        wrong = `${fileName(filename, 'A file')} has over ${mebibytes(mostBytes)} MiB: something else was dropped.`;
      });
      stream.once('close', () => files.push({ name: fileName(filename, 'file'), input: Buffer.concat(pieces) }));
    });
    await pipeline(Readable.fromWeb(request.body as ReadableStream), form);
  } catch {
    return fault('bad-input', CUT_OFF);
  }
  return wrong === null ? done({ fields, files }) : fault('bad-input', wrong);
}

/** One file that is the whole body, with its name percent-encoded in `x-file-name`. */
export async function readWhole(request: Request, mostBytes: number): Promise<Result<WholeFile>> {
  const pieces: Uint8Array[] = [];
  let bytes = 0;
  const body = request.body as AsyncIterable<Uint8Array> | null;
  for await (const piece of body ?? []) {
    bytes += piece.length;
    if (bytes > mostBytes) return fault('bad-input', `The file has over ${mebibytes(mostBytes)} MiB: choose another.`);
    pieces.push(piece);
  }
  return done({ name: sentName(request), input: Buffer.concat(pieces) });
}

/** The name that the sender gives the file which is the body. */
export function sentName(request: Request): string {
  try {
    return fileName(decodeURIComponent(request.headers.get('x-file-name') ?? ''), 'file');
  } catch {
    return 'file';
  }
}

import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';

// These work beside each other, on the threads that Node has for it.
const [brotli, gzipped] = [promisify(brotliCompress), promisify(gzip)];

/** What is text, and worth pressing. */
const TEXT = /\.(?:js|css|svg|json|txt)$/;
/** A smaller file takes as many packets either way, bytes. */
const LEAST = 1_000;
/**
 * V8's hint (Explicit Compile Hints) to compile a script's functions beside the main thread while it loads, rather than one
 * by one on it when they are called: no page of ours starts with a task that holds up the hand.
 */
const COMPILE_ALL = '//# allFunctionsCalledOnLoad\n';

function* filesUnder(folder: string): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) yield* filesUnder(path);
    else yield path;
  }
}

function hinted(file: string): Buffer {
  const bytes = readFileSync(file);
  if (!file.endsWith('.js') || bytes.toString('utf8', 0, COMPILE_ALL.length) === COMPILE_ALL) return bytes;
  const script = Buffer.concat([Buffer.from(COMPILE_ALL), bytes]);
  writeFileSync(file, script);
  return script;
}

/**
 * Finishes the files that browsers get, once, after the build: scripts carry the compile hint, and each text file has a
 * Brotli form (RFC 7932) and a gzip form (RFC 1952) beside it, both as small as they go. It costs no request anything.
 */
export async function finishStatic(folder: string): Promise<void> {
  const pressed = [...filesUnder(folder)].map(async (file) => {
    if (!TEXT.test(file)) return;
    const bytes = hinted(file);
    if (bytes.length < LEAST) return;
    const params = { [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length };
    const [br, gz] = await Promise.all([brotli(bytes, { params }), gzipped(bytes, { level: 9 })]);
    writeFileSync(`${file}.br`, br);
    writeFileSync(`${file}.gz`, gz);
  });
  await Promise.all(pressed);
}

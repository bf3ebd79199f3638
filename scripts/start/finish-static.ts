import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';

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
export function finishStatic(folder: string): void {
  for (const file of filesUnder(folder)) {
    if (!TEXT.test(file)) continue;
    const bytes = hinted(file);
    if (bytes.length < LEAST) continue;
    const hint = { [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length };
    writeFileSync(`${file}.br`, brotliCompressSync(bytes, { params: hint }));
    writeFileSync(`${file}.gz`, gzipSync(bytes, { level: 9 }));
  }
}

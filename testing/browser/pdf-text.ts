import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { APIRequestContext } from 'playwright-core';

/** Fetches a PDF as anyone with the link does, and reads its text back with poppler. */
export async function pdfText(request: APIRequestContext, path: string): Promise<string> {
  const answer = await request.get(path);
  expect(answer.status()).toBe(200);
  expect(answer.headers()['content-type']).toBe('application/pdf');
  const file = join(mkdtempSync(join(tmpdir(), 'fenbrik-pdf-')), 'quote.pdf');
  writeFileSync(file, await answer.body());
  return execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
}

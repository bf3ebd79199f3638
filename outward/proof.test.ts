import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { LANGUAGES } from '../core/language';
import { compareProof, type Promised } from '../core/proving/compare-proof';
import { type ProofPaper, paperPoints } from '../core/proving/proof-paper';
import { PROOF_WORDS } from '../core/proving/proof-words';
import { proofPage } from './papers/proof-page';
import { proofPdf } from './papers/proof-pdf';

const GB = 1024;
const promise: Promised = {
  totalMiB: 16 * GB,
  rateMTs: 2400,
  after: ['A1', 'B1'].map((slot) => ({ slot, capacityMiB: 8 * GB, text: '8 GB', fate: 'new' as const })),
  channelOf: { A1: 'A', B1: 'B' },
  stays: {},
};
const findings = compareProof(
  promise,
  { installedMiB: null, usableMiB: 15.5 * GB, rateMTs: 2133, channels: 2, slots: {} },
  2048,
);
const paper: ProofPaper = {
  language: 'en',
  quote: '2026-0007',
  shop: { name: 'Petrel Street Repair Co-op', contact: '14 Petrel Street, Skerrow' },
  customer: 'Hedda <Vane>',
  machine: 'Tarnholt Counter 4',
  verdict: 'remark',
  remark: 'It runs at 2133 MT/s: the board allows no more.',
  findings,
  signedBy: 'Teo Marsh',
  signedOn: '2026-11-26',
  depth: 'loaded',
  loadedMinutes: 20,
  oldModules: [{ slot: 'A1', what: '4 GB DDR4-2400 DIMM', fate: 'returned' }],
};

test('a server’s sheet is one page too: sockets that are as promised share a row, the others stand on their own', async () => {
  const after = Array.from({ length: 32 }, (_, nr) => ({
    slot: `P${nr}`,
    capacityMiB: nr % 2 === 0 ? 32 * GB : null,
    text: null,
    fate: 'new' as const,
  }));
  const large: Promised = { ...promise, totalMiB: 512 * GB, after, channelOf: {} };
  const slots = Object.fromEntries(
    after.map(({ slot, capacityMiB }) => [
      slot,
      { capacityMiB: slot === 'P4' ? 0 : (capacityMiB ?? 0), text: 'x', part: null, serial: null },
    ]),
  );
  const seen = { installedMiB: 480 * GB, usableMiB: null, rateMTs: 2400, channels: 15, slots };
  const own = { ...paper, findings: compareProof(large, seen, 2048) };
  const points = paperPoints(own).map(({ what, word }) => `${what}: ${word}`);
  expect(points.slice(3).sort()).toEqual(['15 slots, each: kept', '16 slots, each: kept', 'P4: not kept']);
  const file = join(mkdtempSync(join(tmpdir(), 'fenbrik-proof-')), 'proof.pdf');
  writeFileSync(file, await proofPdf(own, { paper: 'Letter', logo: null }));
  expect(execFileSync('pdfinfo', [file], { encoding: 'utf8' })).toMatch(/Pages:\s+1/);
});

describe.each(LANGUAGES)('a proof sheet in %s', (language) => {
  const words = PROOF_WORDS[language];
  const own = { ...paper, language };

  it('as PDF is one whole tagged page with its table, and every letter is there', async () => {
    const file = join(mkdtempSync(join(tmpdir(), 'fenbrik-proof-')), 'proof.pdf');
    writeFileSync(file, await proofPdf(own, { paper: 'A4', logo: null }));
    const run = (program: string, ...args: string[]) => execFileSync(program, args, { encoding: 'utf8' });
    expect(run('qpdf', '--check', file)).toContain('No syntax or stream encoding errors found');
    const text = run('pdftotext', '-layout', file, '-');
    expect(text).toContain(words.verdict.remark);
    expect(text).toContain('2133 MT/s');
    expect(text).toContain(words.usable(language === 'fr' ? '15,5 Go' : language === 'de' ? '15,5 GB' : '15.5 GB'));
    expect(text).toContain('Teo Marsh');
    expect(text).not.toContain('?');
    const info = run('pdfinfo', '-struct', file);
    for (const tag of ['Table', 'H1', 'H2']) expect(info).toContain(tag);
    expect(run('pdfinfo', file)).toMatch(/Tagged:\s+yes[\s\S]*Pages:\s+1/);
  });

  it('as a page says the same, in its language, and nothing typed is markup', () => {
    const page = proofPage(own, { path: '/q/x', css: '/customer/quote.css' });
    expect(page).toContain(`<html lang="${language}">`);
    expect(page).toContain('Hedda &lt;Vane&gt;');
    expect(page).toContain(words.fates.returned);
    expect(page).toContain(words.depth.loaded(20));
    expect(page).toContain('href="/q/x/proof-pdf"');
  });
});

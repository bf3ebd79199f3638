import type { ProofPaper } from '../../../core/proving/proof-paper';
import type { QuoteSnapshot } from '../../../core/quoting/snapshot';
import { languageOfQuote } from '../../../core/quoting/words/in-language';
import { proofPage } from '../../../outward/papers/proof-page';
import { proofPdf } from '../../../outward/papers/proof-pdf';
import { NOTHING_HERE } from '../../../outward/papers/quote-page';
import { printableLogo } from '../../../outward/pictures/logo-picture';
import { pool } from '../../../store/database';
import { listOldModules, signedProof } from '../../../store/job/proofs';
import { findLinked, listSent } from '../../../store/job/quotes';
import { getLogo, getShop } from '../../../store/shop/shop';
import type { Caller } from '../../staff/access';
import type { QuoteFile } from '../quote/quote-files';
import { isToken, linkHash } from '../quote/quote-links';
import { type Page, pageUrl } from '../quote/quote-page';

/** The signed proof of a quote as its customer gets it; null: none is signed, or the promise is not kept yet. */
async function paperFor({ id, snapshot }: { id: number; snapshot: QuoteSnapshot }): Promise<ProofPaper | null> {
  const proof = await signedProof(pool(), id);
  if (proof === null || proof.verdict === 'broken' || proof.depth === null || proof.signedOn === null) return null;
  const { shop, customer, machine, number } = snapshot;
  const oldModules = await listOldModules(pool(), proof.jobId);
  return {
    language: languageOfQuote(snapshot),
    quote: number,
    shop,
    customer: customer.name,
    machine: machine.name,
    verdict: proof.verdict,
    remark: proof.remark,
    findings: proof.findings,
    signedBy: proof.signedBy ?? '',
    signedOn: proof.signedOn,
    depth: proof.depth,
    loadedMinutes: proof.loadedMinutes,
    oldModules: oldModules.map(({ slot, what, fate }) => ({ slot, what, fate })),
  };
}

async function pdfOf(proof: ProofPaper): Promise<QuoteFile> {
  const { paper, hasLogo } = await getShop(pool());
  const style = { paper, logo: hasLogo ? await printableLogo(await getLogo(pool())) : null };
  return { name: `proof-${proof.quote}.pdf`, bytes: await proofPdf(proof, style) };
}

async function paperByLink(token: string): Promise<ProofPaper | null> {
  if (!isToken(token)) return null;
  const sent = await findLinked(pool(), linkHash(token));
  return sent === null ? null : paperFor(sent);
}

/** The proof sheet behind a customer's link as a page. */
export async function showProofPage(token: string): Promise<Page> {
  const proof = await paperByLink(token);
  if (proof === null) return { status: 404, text: NOTHING_HERE };
  return { status: 200, text: proofPage(proof, { path: `/q/${token}`, css: pageUrl('quote.css') }) };
}

/** Quote as PDF; null: there is none. */
export async function proofByLink(token: string): Promise<QuoteFile | null> {
  const proof = await paperByLink(token);
  return proof && pdfOf(proof);
}

/** The proof sheet of a job's quote that is out, for the shop to print; null: none is signed. */
export async function proofOfJob(_: Caller<'jobs.read'>, jobId: number): Promise<QuoteFile | null> {
  const current = (await listSent(pool(), jobId)).find(({ state }) => state === 'sent');
  const proof = current === undefined ? null : await paperFor(current);
  return proof && pdfOf(proof);
}

import type { MachineProof, ProofPaper } from '../../../core/proving/proof-paper';
import { PROOF_WORDS } from '../../../core/proving/proof-words';
import type { QuoteSnapshot } from '../../../core/quoting/snapshot';
import { languageOfQuote } from '../../../core/quoting/words/in-language';
import { proofPage } from '../../../outward/papers/proof-page';
import { proofPdf } from '../../../outward/papers/proof-pdf';
import { NOTHING_HERE } from '../../../outward/papers/quote-page';
import { printableLogo } from '../../../outward/pictures/logo-picture';
import { pool } from '../../../store/database';
import { listOldModules, type OldModule, type Proof, signedProofs } from '../../../store/job/proofs';
import { findLinked, listSent } from '../../../store/job/quotes';
import { getLogo, getShop } from '../../../store/shop/shop';
import type { Caller } from '../../staff/access';
import type { QuoteFile } from '../quote/quote-files';
import { isToken, linkHash } from '../quote/quote-links';
import { type Page, pageUrl } from '../quote/quote-page';

type Signed = Proof & Pick<ProofPaper, 'depth' | 'signedOn'>;

const isSigned = (proof: Proof): proof is Signed =>
  proof.verdict !== 'broken' && proof.depth !== null && proof.signedOn !== null;

function machineProof(proof: Signed, old: readonly OldModule[]): MachineProof {
  const { verdict, remark, findings, signedBy, signedOn, depth, loadedMinutes, machine } = proof;
  const own = old.filter((one) => one.machine === machine);
  return {
    verdict,
    remark,
    findings,
    signedBy: signedBy ?? '',
    signedOn,
    depth,
    loadedMinutes,
    oldModules: own.map(({ slot, what, fate }) => ({ slot, what, fate })),
  };
}

/** Their one verdict: of several machines the worst. */
const WORST = ['remark', 'kept'] as const;

/** The signed proof of a quote as its customer gets it; null: none is signed, or the promise is not kept yet. */
async function paperFor({ id, snapshot }: { id: number; snapshot: QuoteSnapshot }): Promise<ProofPaper | null> {
  const signed = (await signedProofs(pool(), id)).filter(isSigned);
  const [first] = signed;
  if (first === undefined) return null;
  const { shop, customer, machine, number } = snapshot;
  const language = languageOfQuote(snapshot);
  const jobs = [...new Set(signed.map(({ jobId }) => jobId))];
  const old = new Map(
    await Promise.all(jobs.map(async (jobId) => [jobId, await listOldModules(pool(), jobId)] as const)),
  );
  const proofs = signed.map((proof) => machineProof(proof, old.get(proof.jobId) ?? []));
  const whole = { language, quote: number, shop, customer: customer.name, machine: machine.name };
  const promised = snapshot.options.find(({ place }) => place === first.place)?.machines ?? 1;
  if (promised === 1) return { ...whole, ...machineProof(first, old.get(first.jobId) ?? []) };
  // The sheet is as old as the last signature on it.
  const last = proofs.reduce((a, b) => (b.signedOn >= a.signedOn ? b : a));
  const { machine: nameOf } = PROOF_WORDS[language];
  return {
    ...whole,
    ...last,
    verdict: WORST.find((verdict) => proofs.some((one) => one.verdict === verdict)) ?? 'kept',
    remark: '',
    machines: proofs.map((one, nr) => ({ ...one, name: signed[nr]?.serial || nameOf(nr + 1) })),
    promised,
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

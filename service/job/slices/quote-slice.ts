import { listMail } from '../../../store/mail/mail';
import type { Queryable } from '../../../store/queryable';
import { listUsualLines } from '../../../store/shop/usual-lines';
import { textsIn } from '../../shop/shop-texts';
import { acceptedOf } from '../bench/job-work';
import { languageOf, termsOf, underGuarantee } from '../quote/job-pricing';
import { driftsOf, stillToOrder } from '../quote/quote-drift';
import { linksOfJob } from '../quote/quote-links';
import { once, type Pieces } from './pieces';
import type { QuoteSlice } from './slice';

export async function quoteSlice(db: Queryable, id: number, pieces: Pieces): Promise<QuoteSlice> {
  const language = once(async () => {
    const [shop, job, draft] = await Promise.all([pieces.shop(), pieces.job(), pieces.draft()]);
    return languageOf(shop, job, termsOf(draft));
  });
  const drifts = async () => {
    const [current, sent, answers] = await Promise.all([pieces.current(), pieces.sent(), pieces.answers()]);
    if (current === null) return [];
    const accepted = acceptedOf(sent, answers, id);
    if (accepted === null) return driftsOf(db, id, current.snapshot.options);
    return driftsOf(db, id, [stillToOrder(accepted.whole, await pieces.wanted())]);
  };
  const [usualLines, draft, sent, answers, links, mail, pricing, labour, written, texts, moved] = await Promise.all([
    listUsualLines(db),
    pieces.draft(),
    pieces.sent(),
    pieces.answers(),
    linksOfJob(db, id),
    listMail(db, id),
    pieces.pricing(),
    pieces.labour(),
    language(),
    language().then((one) => textsIn(db, one)),
    drifts(),
  ]);
  return {
    usualLines,
    draft,
    terms: underGuarantee(termsOf(draft), (await pieces.job()).guaranteeOf, written),
    language: written,
    texts,
    pricing,
    labour,
    sent,
    links,
    mail,
    answers,
    drifts: moved,
  };
}

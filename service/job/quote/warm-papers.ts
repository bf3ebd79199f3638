import { customerView } from '../../../core/quoting/customer-view';
import { pool } from '../../../store/database';
import { newestWithoutPaper } from '../../../store/job/quote-papers';
import { paperOf } from './quote-files';

/**
 * Makes the paper of the quote that went out last, where nobody has asked for it yet: so the faces are read and unpacked before a
 * customer waits for them.
 */
export async function warmPapers(): Promise<void> {
  const sent = await newestWithoutPaper(pool());
  if (sent !== null) await paperOf(sent.id, async () => customerView(sent.snapshot));
}

import { z } from 'zod';
import { pool } from '../../store/database';
import { updateLanguage } from '../../store/staff/staff';
import { STAFF_LANGUAGES } from '../../words/languages';
import { done, type Result } from '../result';
import type { Caller } from './access';

export const languageSchema = z.strictObject({ language: z.enum(STAFF_LANGUAGES) });

/** Notes in which language the caller reads the screens, wherever they sign in. */
export async function chooseLanguage(
  caller: Caller<'jobs.read'>,
  { language }: z.infer<typeof languageSchema>,
): Promise<Result<null>> {
  await updateLanguage(pool(), caller.id, language);
  return done(null);
}

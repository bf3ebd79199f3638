import { languageCookie } from '@/app/cookies';
import { handle } from '@/app/handle';
import { chooseLanguage, languageSchema } from '@/service/staff/language';

/** The language of the caller's screens. */
export const PUT = handle('jobs.read', languageSchema, async (caller, body, _, request) => {
  await chooseLanguage(caller, body);
  return Response.json(null, { headers: { 'set-cookie': languageCookie(request, body.language) } });
});

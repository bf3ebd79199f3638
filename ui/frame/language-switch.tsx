'use client';
import { useRouter } from 'next/navigation';
import { useLocale } from 'use-intl';
import { useTranslations } from '#translations';
import { STAFF_LANGUAGE_NAMES, STAFF_LANGUAGES } from '@/words/languages';
import { useCall } from '../client/session-guard';
import { LANGUAGE_COOKIE } from '../words/language-cookie';

/** Changes the language of the screens; anyone who is signed in has it wherever they sign in. */
export function LanguageSwitch({ isSignedIn }: { isSignedIn: boolean }) {
  const t = useTranslations('frame');
  const router = useRouter();
  const call = useCall();
  const here = useLocale();
  const other = STAFF_LANGUAGES.find((one) => one !== here) ?? 'en';
  const change = async () => {
    // biome-ignore lint/suspicious/noDocumentCookie: the Cookie Store interface is not in every browser we serve
    if (!isSignedIn) document.cookie = `${LANGUAGE_COOKIE}=${other}; Path=/; Max-Age=31536000; SameSite=Lax`;
    else await call('PUT', '/api/language', { language: other });
    router.refresh();
  };
  return (
    <button
      type="button"
      lang={other}
      aria-label={t('language', { code: other.toUpperCase(), name: STAFF_LANGUAGE_NAMES[other] })}
      title={STAFF_LANGUAGE_NAMES[other]}
      onClick={() => void change()}
      className="min-h-9 min-w-9 px-1.5 text-sm text-ink-2 hover:text-ink cursor-pointer"
    >
      {other.toUpperCase()}
    </button>
  );
}

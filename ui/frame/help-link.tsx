'use client';
import { usePathname, useRouter } from 'next/navigation';
import { useTranslations } from '#translations';
import { useKeys } from '../client/use-keys';
import { NearLink } from '../kit/near-link';
import { helpAddress } from './help-sections';

/** Leads to the help about the screen that one is on, by a press or by `?`; Options has its own map of keys under that key. */
export function HelpLink() {
  const t = useTranslations('frame');
  const path = usePathname();
  const router = useRouter();
  const address = helpAddress(path);
  useKeys({ '?': () => path.endsWith('/options') || router.push(address) });
  return (
    <NearLink
      href={address}
      aria-current={path === '/help' ? 'page' : undefined}
      aria-keyshortcuts="?"
      className="inline-flex items-center min-h-9 px-2 text-sm underline decoration-edge underline-offset-4 hover:decoration-ink"
    >
      {t('help')}
    </NearLink>
  );
}

import type { ReactNode } from 'react';
import { useTranslations } from '#translations';
import type { StaffMessages } from '@/words/staff-words';
import { NearLink } from '../kit/near-link';
import { HelpLink } from './help-link';
import { LanguageSwitch } from './language-switch';
import type { Light } from './light';
import { LightSwitch } from './light-switch';
import { Mark } from './mark';
import { MenuButton } from './menu-button';

const PLACES = [
  { href: '/counter', text: 'places.jobs' },
  { href: '/models', text: 'places.models' },
  { href: '/offers', text: 'places.offers' },
  { href: '/orders', text: 'places.orders' },
] as const;
const OWNER_PLACES = [
  { href: '/people', text: 'places.staff' },
  { href: '/settings', text: 'places.settings' },
] as const;

interface TopBarProps {
  person: { name: string; role: keyof StaffMessages['frame']['roles'] };
  light: Light | null;
  here: string;
  children?: ReactNode;
}

/** The bar above everything: where else one can go, whose turn it is. */
export function TopBar({ person, light, here, children }: TopBarProps) {
  const t = useTranslations('frame');
  const places = person.role === 'owner' ? [...PLACES, ...OWNER_PLACES] : PLACES;
  return (
    <header className="top-bar no-print flex items-center gap-x-5 gap-y-1 flex-wrap px-4 min-h-12 border-b border-line bg-sheet">
      <a href="#work" className="sr-only-focusable px-2 py-1 bg-act text-on-act">
        {t('skip')}
      </a>
      <NearLink href="/counter" className="flex items-center gap-2 min-h-9 font-bold wide text-base tracking-tight">
        <Mark /> Fenbrik
      </NearLink>
      <MenuButton />
      <nav aria-label={t('placesLabel')} className="in-menu flex flex-wrap gap-1">
        {places.map(({ href, text }) => (
          <NearLink
            key={href}
            href={href}
            aria-current={here === href ? 'page' : undefined}
            className="px-2 py-1.5 text-sm rounded-notch hover:bg-sunk aria-[current=page]:font-semibold aria-[current=page]:underline underline-offset-8 decoration-2 decoration-act"
          >
            {t(text)}
          </NearLink>
        ))}
      </nav>
      <div className="flex-1 min-w-0 max-[1279px]:order-last max-[1279px]:basis-full">{children}</div>
      <span className="in-menu flex items-center ml-auto">
        <HelpLink />
        <LanguageSwitch isSignedIn />
        <LightSwitch light={light} />
      </span>
      <form action="/api/sign-out" method="post" className="in-menu flex items-center gap-2 text-sm">
        <span className="text-ink-2 max-[1340px]:hidden">
          {person.name}, {t(`roles.${person.role}`)}
        </span>
        <button type="submit" className="min-h-7 px-2 rounded-notch bg-sunk hover:bg-line font-medium cursor-pointer">
          {t('signOut')}
        </button>
      </form>
    </header>
  );
}

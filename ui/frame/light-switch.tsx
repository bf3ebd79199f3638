'use client';
import { useEffect, useState } from 'react';
import { useTranslations } from '#translations';
import { LIGHT_COOKIE, type Light } from './light';

const SUN =
  'M8 4.8a3.2 3.2 0 1 1 0 6.4 3.2 3.2 0 0 1 0-6.4ZM8 .8v2M8 13.2v2M.8 8h2M13.2 8h2M2.9 2.9l1.4 1.4M11.7 11.7l1.4 1.4M13.1 2.9l-1.4 1.4M4.3 11.7l-1.4 1.4';
const MOON = 'M13.5 9.9A6 6 0 0 1 6.1 2.5 6 6 0 1 0 13.5 9.9Z';

/**
 * Changes between the two themes, and remembers it in a cookie so that the server draws the right one at once. Until somebody
 * chooses, the theme is the system's.
 */
export function LightSwitch({ light }: { light: Light | null }) {
  const t = useTranslations('frame');
  const [now, setNow] = useState<Light>(light ?? 'day');
  useEffect(() => {
    if (light === null && window.matchMedia('(prefers-color-scheme: dark)').matches) setNow('back-room');
  }, [light]);
  const other: Light = now === 'day' ? 'back-room' : 'day';
  const change = () => {
    document.documentElement.dataset.theme = other;
    // biome-ignore lint/suspicious/noDocumentCookie: the Cookie Store interface is not in every browser we serve
    document.cookie = `${LIGHT_COOKIE}=${other}; Path=/; Max-Age=31536000; SameSite=Lax`;
    setNow(other);
  };
  const name = now === 'day' ? t('darkTheme') : t('lightTheme');
  return (
    <button
      type="button"
      onClick={change}
      aria-label={name}
      title={name}
      className="min-h-9 min-w-9 grid place-items-center text-ink-2 hover:text-ink cursor-pointer"
    >
      <svg
        width="16"
        height="16"
        viewBox="0 0 16 16"
        fill="none"
        stroke="currentColor"
        strokeWidth="1.5"
        aria-hidden="true"
      >
        <path d={now === 'day' ? MOON : SUN} strokeLinecap="round" strokeLinejoin="round" />
      </svg>
    </button>
  );
}

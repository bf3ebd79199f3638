'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { LIGHT_COOKIE, type Light } from './light';

/** Changes between the two lights, and remembers it in a cookie so that the server draws the right one at once. */
export function LightSwitch({ light }: { light: Light }) {
  const t = useTranslations('frame');
  const [now, setNow] = useState(light);
  const other: Light = now === 'day' ? 'back-room' : 'day';
  const change = () => {
    document.documentElement.dataset.theme = other;
    // biome-ignore lint/suspicious/noDocumentCookie: the Cookie Store interface is not in every browser we serve
    document.cookie = `${LIGHT_COOKIE}=${other}; Path=/; Max-Age=31536000; SameSite=Lax`;
    setNow(other);
  };
  return (
    <button type="button" onClick={change} className="min-h-9 px-2 text-sm text-ink-2 hover:text-ink cursor-pointer">
      {now === 'day' ? t('darkTheme') : t('lightTheme')}
    </button>
  );
}

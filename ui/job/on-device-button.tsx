'use client';
import dynamic from 'next/dynamic';
import { usePathname } from 'next/navigation';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { Button } from '../kit/button';

// The code is drawn by a package that no page needs to be there.
const OnDeviceSheet = dynamic(() => import('./on-device').then((module) => module.OnDeviceSheet), { ssr: false });

/** Shows the page as a QR code for another device. */
export function OnDeviceButton({ address }: { address: string | null }) {
  const t = useTranslations('job');
  const [open, setOpen] = useState(false);
  const path = usePathname();
  return (
    <>
      <Button weight="quiet" className="shrink-0" onClick={() => setOpen(true)}>
        {t('device.action')}
      </Button>
      {open && <OnDeviceSheet path={path} address={address} onClose={() => setOpen(false)} />}
    </>
  );
}

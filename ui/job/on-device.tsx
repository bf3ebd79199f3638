'use client';
import { create } from 'qrcode';
import { useEffect, useState } from 'react';
import { useTranslations } from '#translations';
import { copyText } from '../client/copy-text';
import { Button } from '../kit/button';
import { Sheet } from '../kit/sheet';

interface OnDeviceProps {
  path: string;
  /** where other devices reach the shop; null: as it was started they do not */
  address: string | null;
}

/** A QR code (ISO/IEC 18004) as one drawing: its dark squares, with the quiet edge around them. */
function QrCode({ text }: { text: string }) {
  const t = useTranslations('job');
  const { modules } = create(text, { errorCorrectionLevel: 'M' });
  const { size, data } = modules;
  const edge = 4;
  const dark = Array.from(data).flatMap((bit, at) =>
    bit === 0 ? [] : [`M${(at % size) + edge} ${Math.floor(at / size) + edge}h1v1h-1z`],
  );
  const side = size + 2 * edge;
  return (
    <svg
      role="img"
      aria-label={t('device.alt', { text })}
      viewBox={`0 0 ${side} ${side}`}
      className="w-64 max-w-full bg-white"
      shapeRendering="crispEdges"
    >
      <path d={dark.join('')} fill="#000" />
    </svg>
  );
}

/** A page as a QR code, for a tablet or a telephone that is signed in, or asks to sign in first. */
export function OnDevice({ path, address }: OnDeviceProps) {
  const t = useTranslations('job');
  const [here, setHere] = useState<string | null>(null);
  const [copied, setCopied] = useState<boolean | null>(null);
  useEffect(() => {
    const { hostname, origin } = window.location;
    // Anyone who came by an address that others reach too shows that one.
    if (!/^(localhost|127\.|\[::1\])/.test(hostname)) setHere(origin);
  }, []);
  const base = here ?? address;
  if (base === null) return <p>{t.rich('device.onlyHere', { e0: () => <code>HOST=0.0.0.0 npm start</code> })}</p>;
  const url = new URL(path, base).href;
  return (
    <div className="grid gap-3 justify-items-center">
      <QrCode text={url} />
      <p className="break-all text-sm">{url}</p>
      <div className="flex items-center gap-3">
        <Button onClick={async () => setCopied(await copyText(url))}>{t('device.copy')}</Button>
        <span role="status" className="text-sm">
          {copied === true && t('device.copied')}
          {copied === false && t('device.noCopy')}
        </span>
      </div>
    </div>
  );
}

/** The sheet that shows it. */
export function OnDeviceSheet({ onClose, ...page }: OnDeviceProps & { onClose: () => void }) {
  const t = useTranslations('job');
  return (
    <Sheet open title={t('device.title')} description={t('device.what')} onClose={onClose}>
      <OnDevice {...page} />
    </Sheet>
  );
}

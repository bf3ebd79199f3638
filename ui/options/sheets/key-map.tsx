'use client';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useTranslations } from '#translations';
import { helpAddress } from '../../frame/help-sections';
import { buttonLook } from '../../kit/button';
import { Sheet } from '../../kit/sheet';

const KEYS = [
  ['← →', 'keys.along'],
  ['↑ ↓', 'keys.rungs'],
  ['Home End', 'keys.ends'],
  ['Enter', 'keys.open'],
  ['1 2 3', 'keys.add'],
  ['0', 'keys.three'],
  ['C', 'keys.compare'],
  ['V', 'keys.side'],
  ['T', 'keys.table'],
  ['N', 'keys.part'],
  ['W', 'keys.why'],
  ['H', 'keys.hand'],
  ['X', 'keys.customer'],
  ['?', 'keys.these'],
] as const;

/** The map of keys of the station. */
export function KeyMap({ onClose }: { onClose: () => void }) {
  const t = useTranslations('options');
  const path = usePathname();
  const tFrame = useTranslations('frame');
  return (
    <Sheet open title={t('keys.title')} description={t('keys.what')} onClose={onClose}>
      <dl className="grid grid-cols-[7rem_minmax(0,1fr)] gap-y-1.5">
        {KEYS.map(([keys, what]) => (
          <div key={keys} className="contents">
            <dt>
              {keys.split(' ').map((key) => (
                <kbd
                  key={key}
                  className="inline-block min-w-7 text-center px-1.5 py-0.5 mr-1 border border-edge border-b-2 rounded-notch bg-ground font-semibold text-sm"
                >
                  {key}
                </kbd>
              ))}
            </dt>
            <dd>{t(what)}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-4">
        <Link href={helpAddress(path)} className={buttonLook('plain')}>
          {tFrame('help')}
        </Link>
      </p>
    </Sheet>
  );
}

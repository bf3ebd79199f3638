import Link from 'next/link';
import { useTranslations } from '#translations';
import { SlotGlyphs } from './slot-glyphs';

export interface ListedModel {
  id: number;
  maker: string;
  name: string;
  years: string;
  note: string;
  takes: string;
  board: boolean;
  sockets: number;
  soldered: number;
}

/** The library: each model with its slots drawn and what it takes. */
export function ModelList({
  models,
  count,
  find,
}: {
  models: readonly ListedModel[];
  count: number;
  /** what was looked for; empty: nothing, the list goes by name */
  find: string;
}) {
  const t = useTranslations('models');
  if (models.length === 0) {
    return <p>{find === '' ? t('list.empty') : t('list.none', { find })}</p>;
  }
  const makers = [...new Set(models.map((model) => model.maker))];
  return (
    <div className="grid gap-5">
      {makers.map((maker) => (
        <section key={maker} aria-label={maker}>
          <h2 className="text-base border-b-4 border-edge pb-1">{maker}</h2>
          <ul className="bg-sheet">
            {models
              .filter((model) => model.maker === maker)
              .map((model) => (
                <li
                  key={model.id}
                  className="grid grid-cols-[13rem_7rem_19rem_minmax(0,1fr)] gap-4 items-center px-4 py-2 border-b border-line max-[860px]:grid-cols-[1fr_auto]"
                >
                  <span>
                    <Link href={`/models/${model.id}`} className="font-semibold underline underline-offset-2">
                      {model.name}
                    </Link>{' '}
                    <span className="text-ink-2 text-sm">
                      {model.years}
                      {model.board && t('list.board')}
                    </span>
                  </span>
                  <SlotGlyphs sockets={model.sockets} soldered={model.soldered} />
                  <span className="text-sm max-[860px]:hidden">{model.takes}</span>
                  <span className="text-sm text-ink-2 max-[860px]:hidden">{model.note}</span>
                </li>
              ))}
          </ul>
        </section>
      ))}
      {find === '' && models.length < count && (
        <p className="text-ink-2">{t('list.first', { models: models.length, count })}</p>
      )}
    </div>
  );
}

import { SlotGlyphs } from './slot-glyphs';

export interface ListedModel {
  id: number;
  maker: string;
  name: string;
  years: string;
  note: string;
  takes: string;
  sockets: number;
  soldered: number;
}

/** The library: each model with its slots drawn and what it takes. */
export function ModelList({ models }: { models: readonly ListedModel[] }) {
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
                  className="grid grid-cols-[12rem_9rem_11rem_minmax(0,1fr)] gap-4 items-center px-4 py-2 border-b border-line max-[860px]:grid-cols-[1fr_auto]"
                >
                  <span>
                    <span className="font-semibold">{model.name}</span>{' '}
                    <span className="text-ink-2 text-sm">{model.years}</span>
                  </span>
                  <SlotGlyphs sockets={model.sockets} soldered={model.soldered} />
                  <span className="max-[860px]:hidden">{model.takes}</span>
                  <span className="text-sm text-ink-2 max-[860px]:hidden">{model.note}</span>
                </li>
              ))}
          </ul>
        </section>
      ))}
    </div>
  );
}

import { useTranslations } from '#translations';
import { Button } from '../kit/button';

interface AddAsProps {
  /** the option that it is already */
  on?: number;
  /** options of the draft by plan */
  places: ReadonlyMap<string, number>;
  busy: boolean;
  onPut: (place: number) => void;
}

/** Adds the plan that is looked at to the quote as one of three options. */
export function AddAs({ on, places, busy, onPut }: AddAsProps) {
  const t = useTranslations('options');
  const taken = [...places.values()];
  const firstFree = [1, 2, 3].find((place) => !taken.includes(place));
  return (
    <div className="flex items-center gap-1.5">
      <span className="text-sm text-ink-2 mr-1">{on === undefined ? t('plan.addAs') : t('plan.isOn', { on })}</span>
      {[1, 2, 3].map((place) => (
        <Button
          key={place}
          weight={on === undefined && place === firstFree ? 'act' : 'plain'}
          disabled={busy || on === place}
          onClick={() => onPut(place)}
          aria-label={t('plan.addAsOption', { place })}
        >
          {place}
        </Button>
      ))}
    </div>
  );
}

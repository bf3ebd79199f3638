'use client';
import dynamic from 'next/dynamic';
import { planKey } from '@/core/planning/filters/ladder';
import type { OfferFilters } from '@/core/planning/filters/offer-filters';
import type { PlanCase } from '@/core/planning/model/case';
import type { Plan } from '@/core/planning/search/plan';

// Each is fetched when it is first asked for: the ladder is there the sooner.
const CompareSheet = dynamic(() => import('../sheets/compare-sheet').then((module) => module.CompareSheet), {
  ssr: false,
});
const KeyMap = dynamic(() => import('../sheets/key-map').then((module) => module.KeyMap), { ssr: false });
const NewPartSheet = dynamic(() => import('../sheets/new-part-sheet').then((module) => module.NewPartSheet), {
  ssr: false,
});
const PlanSheet = dynamic(() => import('../sheets/plan-sheet').then((module) => module.PlanSheet), { ssr: false });
const WhyNotSheet = dynamic(() => import('../sheets/why-not-sheet').then((module) => module.WhyNotSheet), {
  ssr: false,
});

/** What lies over the work; why-not may be about an offer. */
export type Over = { what: 'plan' | 'compare' | 'keys' | 'new-part' } | { what: 'why-not'; offer: string | null };

interface LaidOverProps {
  over: Over | null;
  looked: Plan | null;
  compared: readonly Plan[];
  plans: readonly Plan[];
  planCase: PlanCase;
  /** the case with all that is wished for */
  wishedCase: PlanCase;
  /** which offers may be bought at all */
  filters: OfferFilters;
  newPart: { said: string; expect: (offer: string) => void };
  onDrop: (plan: string) => void;
  onOver: (over: Over | null) => void;
  /** adds an offer to a set that is put together by hand */
  onCompose: (offer: string) => void;
}

/** The sheet that lies over the ladder, if any does, and what came of a part that was added on one. */
export function LaidOver(props: LaidOverProps) {
  const { said } = props.newPart;
  return (
    <>
      <p role="status" className={said === '' ? 'sr-only' : 'text-sm'}>
        {said}
      </p>
      <OpenSheet {...props} />
    </>
  );
}

function OpenSheet(props: LaidOverProps) {
  const { over, looked, compared, plans, planCase, wishedCase, filters, newPart, onDrop, onOver, onCompose } = props;
  const onClose = () => onOver(null);
  switch (over?.what) {
    case 'plan':
      return looked && <PlanSheet plan={looked} planCase={planCase} plans={plans} onClose={onClose} />;
    case 'compare': {
      if (compared.length < 2) return null;
      const shared = { planCase, all: plans, onClose };
      return <CompareSheet plans={compared} onDrop={(plan) => onDrop(planKey(plan))} {...shared} />;
    }
    case 'why-not':
      return (
        <WhyNotSheet
          planCase={wishedCase}
          plans={plans}
          first={over.offer}
          filters={filters}
          onClose={onClose}
          onCompose={(offer) => {
            onClose();
            onCompose(offer);
          }}
        />
      );
    case 'new-part': {
      const taken = (offer: string) => {
        onClose();
        newPart.expect(offer);
      };
      return <NewPartSheet onTaken={taken} onClose={onClose} />;
    }
    case 'keys':
      return <KeyMap onClose={onClose} />;
    default:
      return null;
  }
}

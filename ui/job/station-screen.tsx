'use client';
import dynamic from 'next/dynamic';
import type { ComponentType } from 'react';
import type { Station } from '@/core/machine/station';

// Each station's code is its own: anyone who is on one does not wait for those of the others.
const SCREENS: Record<Station, ComponentType> = {
  intake: dynamic(() => import('../intake/intake-station').then((module) => module.IntakeStation)),
  limits: dynamic(() => import('../limits/limits-station').then((module) => module.LimitsStation)),
  options: dynamic(() => import('../options/options-station').then((module) => module.OptionsStation)),
  quote: dynamic(() => import('../quote/quote-station').then((module) => module.QuoteStation)),
  fitting: dynamic(() => import('../fitting/fitting-station').then((module) => module.FittingStation)),
  proof: dynamic(() => import('../proof/proof-station').then((module) => module.ProofStation)),
};

/** The station that the job is at. */
export function StationScreen({ station }: { station: Station }) {
  const Screen = SCREENS[station];
  return <Screen />;
}

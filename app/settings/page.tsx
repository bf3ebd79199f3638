import type { Metadata } from 'next';
import { showNeeds } from '@/service/needs';
import { showPriceRule } from '@/service/price-rule';
import { showBestRule } from '@/service/steering';
import { BestRule } from '@/ui/settings/best-rule';
import { NeedLadder } from '@/ui/settings/need-ladder';
import { PriceRule } from '@/ui/settings/price-rule';
import { Desk } from '../desk';
import { enterPage } from '../enter';

export const metadata: Metadata = { title: 'Settings' };

/** What the shop goes by: how it makes its prices, and what uses and systems need. */
export default async function SettingsPage() {
  const caller = await enterPage('shop.settings');
  const needs = await showNeeds();
  const prices = await showPriceRule();
  const best = await showBestRule();
  return (
    <Desk caller={caller} here="/settings">
      <main id="work" className="max-w-4xl mx-auto px-4 py-4 grid gap-4">
        <h1 className="text-xl">Settings</h1>
        <PriceRule {...prices} />
        <BestRule {...best} />
        <NeedLadder needs={needs} />
      </main>
    </Desk>
  );
}

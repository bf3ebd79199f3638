import type { Metadata } from 'next';
import { showNeeds } from '@/service/needs';
import { NeedLadder } from '@/ui/settings/need-ladder';
import { Desk } from '../desk';
import { enterPage } from '../enter';

export const metadata: Metadata = { title: 'Settings' };

/** What the shop goes by: here, what uses and systems need. */
export default async function SettingsPage() {
  const caller = await enterPage('shop.settings');
  const needs = await showNeeds();
  return (
    <Desk caller={caller} here="/settings">
      <main id="work" className="max-w-4xl mx-auto px-4 py-4 grid gap-4">
        <h1 className="text-xl">Settings</h1>
        <NeedLadder needs={needs} />
      </main>
    </Desk>
  );
}

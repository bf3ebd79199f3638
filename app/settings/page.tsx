import type { Metadata } from 'next';
import Link from 'next/link';
import { PAPER_WORDS } from '@/core/quoting/words/papers-in';
import { showBackground } from '@/service/background';
import { showBestRule } from '@/service/job/options/steering';
import { showCharges } from '@/service/shop/charges';
import { showCustomerAddress } from '@/service/shop/customer-address';
import { showIdentity } from '@/service/shop/identity';
import { showNeeds } from '@/service/shop/needs';
import { showPapers } from '@/service/shop/papers';
import { showPriceRule } from '@/service/shop/price-rule';
import { showQuoteSays } from '@/service/shop/quote-says';
import { showRoleRule } from '@/service/shop/role-rule';
import { showTexts } from '@/service/shop/shop-texts';
import { showUsualLines } from '@/service/shop/usual-lines';
import { Notice } from '@/ui/kit/notice';
import { BackgroundWork } from '@/ui/settings/background-work';
import { BestRule } from '@/ui/settings/best-rule';
import { ChargesSection } from '@/ui/settings/charges';
import { CustomerAddressSection } from '@/ui/settings/customer-address';
import { NeedLadder } from '@/ui/settings/need-ladder';
import { PapersSection } from '@/ui/settings/papers';
import { PriceRuleSection } from '@/ui/settings/price-rule';
import { QuoteSaysSection } from '@/ui/settings/quote-says';
import { RoleRuleSection } from '@/ui/settings/role-rule';
import { ShopIdentitySection } from '@/ui/settings/shop-identity';
import { Texts } from '@/ui/settings/texts';
import { UsualLinesSection } from '@/ui/settings/usual-lines';
import { TIME_ZONES } from '@/ui/shop/time-zones';
import { agoText } from '@/ui/words/amounts';
import { getTranslations } from '@/ui/words/on-the-server';
import { Desk } from '../desk';
import { enterPage } from '../enter';

export async function generateMetadata(): Promise<Metadata> {
  const t = await getTranslations('settings');
  return { title: t('title') };
}

/** What the shop goes by: how it makes its prices, and what uses and systems need. */
/** What the button says by which customers accept, where nothing is set: the word of their own papers. */
const USUAL_ACCEPT = {
  en: PAPER_WORDS.en.page.yes,
  de: PAPER_WORDS.de.page.yes,
  fr: PAPER_WORDS.fr.page.yes,
};

/** What is set here, in the order of the page. */
const SECTIONS = [
  { id: 'shop', title: 'shop.title' },
  { id: 'prices', title: 'prices.title' },
  { id: 'charges', title: 'charges.title' },
  { id: 'lines', title: 'lines.title' },
  { id: 'papers', title: 'papers.title' },
  { id: 'says', title: 'says.title' },
  { id: 'address', title: 'address.title' },
  { id: 'roles', title: 'roles.title' },
  { id: 'texts', title: 'texts.title' },
  { id: 'best', title: 'best.title' },
  { id: 'needs', title: 'needs.title' },
  { id: 'background', title: 'tasks.title' },
] as const;

export default async function SettingsPage({ searchParams }: { searchParams: Promise<{ logo?: string }> }) {
  const t = await getTranslations('settings');
  const caller = await enterPage('shop.settings');
  const { logo } = await searchParams;
  const identity = await showIdentity(caller);
  const needs = await showNeeds(caller);
  const prices = await showPriceRule(caller);
  const best = await showBestRule(caller);
  const charges = await showCharges(caller);
  const papers = await showPapers(caller);
  const texts = await showTexts(caller);
  const roles = await showRoleRule(caller);
  const address = await showCustomerAddress(caller);
  const usualLines = await showUsualLines(caller);
  const quoteSays = await showQuoteSays(caller);
  const background = await showBackground(caller);
  const now = new Date();
  return (
    <Desk caller={caller} here="/settings" words={['door', 'settings']}>
      <main id="work" className="max-w-4xl mx-auto px-4 py-4 grid grid-cols-[minmax(0,1fr)] gap-4">
        <div className="flex items-baseline gap-5">
          <h1 className="text-xl">{t('title')}</h1>
          <Link href="/moving-in" className="text-sm underline underline-offset-4">
            {t('moving')}
          </Link>
        </div>
        <nav aria-label={t('sections')} className="no-print flex flex-wrap gap-x-4 gap-y-1 text-sm">
          {SECTIONS.map(({ id, title }) => (
            <a
              key={id}
              href={`#${id}`}
              className="min-h-6 underline underline-offset-4 decoration-edge hover:decoration-ink"
            >
              {t(title)}
            </a>
          ))}
        </nav>
        {logo === 'refused' && <Notice tone="mind">{t('noLogo')}</Notice>}
        <ShopIdentitySection {...identity} timeZones={TIME_ZONES} />
        <PriceRuleSection {...prices} />
        <ChargesSection {...charges} />
        <UsualLinesSection {...usualLines} />
        <PapersSection {...papers} usualAccept={USUAL_ACCEPT} />
        <QuoteSaysSection {...quoteSays} usual={papers.language} />
        <CustomerAddressSection {...address} />
        <RoleRuleSection {...roles} />
        <Texts rows={texts} usual={papers.language} />
        <BestRule {...best} />
        <NeedLadder needs={needs} />
        <BackgroundWork
          waiting={background.numbers.waiting}
          running={background.numbers.running}
          failedCount={background.numbers.failed}
          failed={background.failed.map(({ at, ...task }) => ({ ...task, ago: agoText(new Date(at), now) }))}
          runs={background.runs.map(({ kind, succeededAt, failedAt }) => ({
            kind,
            succeeded: succeededAt && agoText(new Date(succeededAt), now),
            failed: failedAt && agoText(new Date(failedAt), now),
          }))}
        />
      </main>
    </Desk>
  );
}

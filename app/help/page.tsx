import type { Metadata } from 'next';
import { getTranslations, screenLanguage } from '@/ui/words/on-the-server';
import { Desk } from '../desk';
import { enterPage } from '../enter';
import { HelpMarkdown } from './help-parts';
import { helpText } from './help-text';

export async function generateMetadata(): Promise<Metadata> {
  const t = await getTranslations('frame');
  return { title: t('help') };
}

/** The guides for technicians and owners, a section a screen. */
export default async function HelpPage() {
  const caller = await enterPage('jobs.read');
  const t = await getTranslations('frame');
  const guides = helpText(await screenLanguage());
  return (
    <Desk caller={caller} here="/help" words={[]}>
      <main
        id="work"
        className="max-w-6xl mx-auto px-4 py-4 grid gap-x-10 grid-cols-[minmax(0,1fr)] lg:grid-cols-[14rem_minmax(0,1fr)] items-start"
      >
        <h1 className="sr-only">{t('help')}</h1>
        <nav
          aria-label={t('helpContents')}
          className="no-print text-sm lg:sticky lg:top-4 lg:max-h-[calc(100vh-2rem)] lg:overflow-y-auto"
        >
          {guides.map(({ guide, title, sections }) => (
            <details key={guide} open={guide === 'technicians'} className="pb-2">
              <summary className="cursor-pointer font-semibold py-1.5">{title}</summary>
              <ul className="grid gap-0.5 max-lg:grid-cols-[repeat(auto-fill,minmax(11rem,1fr))]">
                {sections.map((section) => (
                  <li key={section.id}>
                    <a href={`#${section.id}`} className="block px-2 py-1.5 rounded-notch hover:bg-sunk">
                      {section.title}
                    </a>
                  </li>
                ))}
              </ul>
            </details>
          ))}
        </nav>
        <div>
          {guides.map(({ guide, title, sections }) => (
            <article key={guide} aria-labelledby={guide} className="pb-10">
              <h2 id={guide} className="text-xl">
                {title}
              </h2>
              {sections.map((section) => (
                <section
                  key={section.id}
                  id={section.id}
                  className="scroll-mt-4 pt-5"
                  aria-labelledby={`${section.id}-title`}
                >
                  <h3 id={`${section.id}-title`} className="text-lg font-semibold border-b border-line pb-1">
                    {section.title}
                  </h3>
                  <HelpMarkdown>{section.markdown.replaceAll(/^### /gm, '#### ')}</HelpMarkdown>
                </section>
              ))}
            </article>
          ))}
        </div>
      </main>
    </Desk>
  );
}

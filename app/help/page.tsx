import type { Metadata } from 'next';
import Markdown, { type Components } from 'react-markdown';
import remarkGfm from 'remark-gfm';
import { getTranslations, screenLanguage } from '@/ui/words/on-the-server';
import { Desk } from '../desk';
import { enterPage } from '../enter';
import { helpText } from './help-text';

export async function generateMetadata(): Promise<Metadata> {
  const t = await getTranslations('frame');
  return { title: t('help') };
}

/** What a guide is made of, as the application draws it. Files and pictures that it points to are not served here. */
const PARTS: Components = {
  p: ({ children }) => <p className="my-2.5 max-w-[70ch]">{children}</p>,
  ul: ({ children }) => <ul className="my-2.5 pl-5 list-disc grid gap-1.5 max-w-[70ch]">{children}</ul>,
  table: ({ children }) => (
    <div className="my-3 overflow-x-auto">
      <table className="text-sm border-collapse">{children}</table>
    </div>
  ),
  th: ({ children }) => (
    <th className="text-left font-semibold border-b border-edge pr-4 py-1.5 wrap-anywhere hyphens-auto">{children}</th>
  ),
  td: ({ children }) => (
    <td className="align-top border-b border-line pr-4 py-1.5 wrap-anywhere hyphens-auto">{children}</td>
  ),
  a: ({ children, href }) => (href?.startsWith('#') ? <a href={href}>{children}</a> : children),
  img: () => null,
};

/** The technicians' guide, a section a screen. */
export default async function HelpPage() {
  const caller = await enterPage('jobs.read');
  const t = await getTranslations('frame');
  const { title, sections } = helpText(await screenLanguage());
  return (
    <Desk caller={caller} here="/help" words={[]}>
      <main
        id="work"
        className="max-w-6xl mx-auto px-4 py-4 grid gap-x-10 grid-cols-[minmax(0,1fr)] lg:grid-cols-[14rem_minmax(0,1fr)] items-start"
      >
        <nav aria-label={t('helpContents')} className="no-print lg:sticky lg:top-4">
          <ul className="grid gap-0.5 text-sm max-lg:grid-cols-[repeat(auto-fill,minmax(11rem,1fr))]">
            {sections.map((section) => (
              <li key={section.id}>
                <a href={`#${section.id}`} className="block px-2 py-1.5 rounded-notch hover:bg-sunk">
                  {section.title}
                </a>
              </li>
            ))}
          </ul>
        </nav>
        <article>
          <h1 className="text-xl">{title}</h1>
          {sections.map((section) => (
            <section
              key={section.id}
              id={section.id}
              className="scroll-mt-4 pt-5"
              aria-labelledby={`${section.id}-title`}
            >
              <h2 id={`${section.id}-title`} className="text-lg border-b border-line pb-1">
                {section.title}
              </h2>
              <Markdown remarkPlugins={[remarkGfm]} components={PARTS}>
                {section.markdown}
              </Markdown>
            </section>
          ))}
        </article>
      </main>
    </Desk>
  );
}

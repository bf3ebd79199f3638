import Link from 'next/link';
import Markdown, { type Components } from 'react-markdown';
import remarkGfm from 'remark-gfm';
import { helpLink } from './help-text';

const LINK = 'underline underline-offset-4';

/** What a guide is made of, as the application draws it. */
const PARTS: Components = {
  h1: ({ children }) => <h1 className="text-xl">{children}</h1>,
  h2: ({ children }) => <h2 className="mt-5 text-lg border-b border-line pb-1">{children}</h2>,
  h3: ({ children }) => <h3 className="mt-5 text-base font-semibold wide">{children}</h3>,
  h4: ({ children }) => <h4 className="mt-5 text-base font-semibold wide">{children}</h4>,
  p: ({ children }) => <p className="my-2.5 max-w-[70ch]">{children}</p>,
  ul: ({ children }) => <ul className="my-2.5 pl-5 list-disc grid gap-1.5 max-w-[70ch]">{children}</ul>,
  ol: ({ children }) => <ol className="my-2.5 pl-6 list-decimal grid gap-1.5 max-w-[70ch]">{children}</ol>,
  pre: ({ children }) => (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls has to be reached by keys
    <pre tabIndex={0} className="my-3 overflow-x-auto border border-line bg-sunk px-3 py-2 text-sm">
      {children}
    </pre>
  ),
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
  code: ({ children }) => <code className="wrap-anywhere">{children}</code>,
  a: ({ children, href }) => {
    const address = helpLink(href ?? '');
    if (address === null) return children;
    return address.startsWith('/') ? (
      <Link href={address} className={LINK}>
        {children}
      </Link>
    ) : (
      <a href={address} className={LINK}>
        {children}
      </a>
    );
  },
  img: ({ src, alt }) => (
    // biome-ignore lint/performance/noImgElement: it lies beside the guide as it is
    <img
      src={`/api/guide/${String(src).split('/').at(-1)}`}
      alt={alt}
      loading="lazy"
      width={1280}
      height={800}
      className="my-3 w-full max-w-[70ch] h-auto border border-line"
    />
  ),
};

/** A guide's text as it is read in the application. */
export function HelpMarkdown({ children }: { children: string }) {
  return (
    <Markdown remarkPlugins={[remarkGfm]} components={PARTS}>
      {children}
    </Markdown>
  );
}

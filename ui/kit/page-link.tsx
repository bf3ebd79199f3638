'use client';
import type { ReactNode } from 'react';
import { useTranslations } from '#translations';

interface PageLinkProps {
  page: string;
  /** of the offer */
  title: string;
  children: ReactNode;
}

/** What opens a seller's page of an offer, which hears nothing of where one came from. */
export function PageLink({ page, title, children }: PageLinkProps) {
  const t = useTranslations('offers');
  return (
    <a
      href={page}
      target="_blank"
      rel="noopener noreferrer nofollow"
      aria-label={t('offer.openPage', { title })}
      className="underline decoration-edge underline-offset-4 hover:decoration-ink"
    >
      {children} <span aria-hidden="true">↗</span>
    </a>
  );
}

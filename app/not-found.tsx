import { useTranslations } from '#translations';
/** Says nothing about what might be elsewhere. */
export default function NotFound() {
  const t = useTranslations('frame');
  return (
    <main className="max-w-xl mx-auto px-5 py-20">
      <h1 className="text-2xl">{t('notFound')}</h1>
      <p className="mt-2">{t('notFoundWhy')}</p>
    </main>
  );
}

'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { useSave } from '../client/use-save';
import { readingForm } from '../intake/readings/reading-inputs';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { FileButton } from '../kit/file-button';

interface PhotosProps {
  id: number;
  photos: readonly { id: number; caption: string }[];
  mayWrite: boolean;
}

/** Photographs of a model, each with what it shows. */
export function Photos({ id, photos, mayWrite }: PhotosProps) {
  const t = useTranslations('models');
  const { busy, sentence, save } = useSave();
  const [caption, setCaption] = useState('');
  const add = async (file: File) => {
    const form = readingForm([file]);
    form.append('caption', caption);
    const result = await save('POST', `/api/models/${id}/photos`, form);
    if (result.ok) setCaption('');
  };
  if (photos.length === 0 && !mayWrite) return null;
  return (
    <section aria-label={t('photos.title')} className="bg-sheet border border-line px-3 py-2">
      <h2 className="text-base">{t('photos.title')}</h2>
      <ul className="grid grid-cols-2 gap-2 mt-1">
        {photos.map((photo) => (
          <li key={photo.id}>
            <a href={`/api/models/${id}/photos/${photo.id}`} target="_blank" rel="noreferrer" className="block">
              {/* biome-ignore lint/performance/noImgElement: it comes from our own database as it is */}
              <img
                src={`/api/models/${id}/photos/${photo.id}`}
                alt={photo.caption}
                loading="lazy"
                className="w-full h-28 object-cover border border-line"
              />
            </a>
            <span className="flex items-baseline justify-between gap-2 text-sm">
              {photo.caption}
              {mayWrite && (
                <Button
                  weight="quiet"
                  disabled={busy}
                  onClick={() => void save('DELETE', `/api/models/${id}/photos`, { id: photo.id })}
                  aria-label={t('photos.removeOne', { caption: photo.caption })}
                >
                  {t('remove')}
                </Button>
              )}
            </span>
          </li>
        ))}
      </ul>
      {mayWrite && (
        <div className="flex flex-wrap items-end gap-2 mt-1">
          <Field
            label={t('photos.caption')}
            className="flex-1 min-w-40"
            placeholder={t('photos.example')}
            value={caption}
            maxLength={120}
            onChange={(event) => setCaption(event.target.value)}
          />
          <FileButton
            fileLabel={t('photos.file')}
            accept="image/png,image/jpeg"
            disabled={busy || caption.trim() === ''}
            onFiles={([file]) => void add(file)}
          >
            {t('photos.add')}
          </FileButton>
        </div>
      )}
      <Fault sentence={sentence} />
    </section>
  );
}

'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { SaidKind } from '@/core/reading/read';
import { useSave } from '../../client/use-save';
import { isPicture } from '../../pictures/smaller-picture';
import { usePictures } from '../../pictures/use-pictures';
import { faultOfFiles, readingForm, textFile } from './reading-inputs';
import type { ShownTakenIn } from './taken-in';

/** Takes in whatever a machine, a label or a seller says. @param onRead what was typed is read: the field is emptied */
export function useReport(jobId: number, onRead: () => void) {
  const t = useTranslations('intake');
  const { busy: reading, sentence, save } = useSave();
  const pictures = usePictures('intake');
  const [taken, setTaken] = useState<ShownTakenIn | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  /** files of which a person must say what they are */
  const [doubtful, setDoubtful] = useState<readonly File[]>([]);
  /** the picture whose words wait for a person's word on what they are */
  const [asked, setAsked] = useState<number | null>(null);

  /** Reads files; those of which a person must say what they are stay at hand, and are not read yet. */
  const take = async (files: readonly File[], as?: SaidKind): Promise<boolean> => {
    setFault(null);
    const result = await save<ShownTakenIn>('POST', `/api/jobs/${jobId}/reading`, readingForm(files, as));
    setTaken(result.ok ? result.value : null);
    const unsaid = result.ok
      ? result.value.inputs.flatMap((one) => (!one.ok && one.either.length > 0 ? [one.name] : []))
      : [];
    setDoubtful(files.filter(({ name }) => unsaid.includes(name)));
    return result.ok && unsaid.length === 0;
  };
  const takeAs = async (file: File, as: SaidKind) => {
    if (!(await take([file], as))) return;
    if (asked !== null) await pictures.change(asked, { settled: 'read' });
    setAsked(null);
    onRead();
  };
  const takeText = async (text: string) => {
    if (await take([textFile(text.includes('\n') ? t('pastedText') : t('typedLine'), text)])) onRead();
  };
  const takeFiles = async (files: readonly File[]) => {
    if (files.length === 0) return;
    const photographs = files.filter(isPicture);
    const others = files.filter((file) => !isPicture(file));
    if (photographs.length > 0) setTaken(null);
    // One at a time: each is a picture to look at.
    for (const photograph of photographs) await pictures.add(photograph);
    if (others.length === 0) return;
    const wrong = faultOfFiles(t, others);
    if (wrong === null) await take(others);
    else setFault(wrong);
  };
  const takeWords = async (picture: { id: number; name: string }, words: string, as?: SaidKind) => {
    const isRead = await take([textFile(picture.name.slice(0, 150), words)], as);
    setAsked(isRead ? null : picture.id);
    return isRead;
  };
  const wrong = fault ?? sentence ?? pictures.sentence;
  return {
    busy: reading || pictures.busy,
    wrong,
    taken,
    doubtful,
    pictures,
    take,
    takeAs,
    takeText,
    takeFiles,
    takeWords,
  };
}

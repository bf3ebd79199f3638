'use client';
import type { ReactNode } from 'react';
import { useTranslations } from '#translations';
import { FileButton } from '../kit/file-button';

interface PictureButtonProps {
  disabled: boolean;
  className?: string;
  /** only where a finger points: elsewhere a picture is chosen or dropped like any file */
  touchOnly?: boolean;
  onPicture: (file: File) => void;
  children: ReactNode;
}

/** Takes a photograph with a telephone's or tablet's own camera; where there is none, a picture is chosen. */
export function PictureButton({
  disabled,
  className = '',
  touchOnly = false,
  onPicture,
  children,
}: PictureButtonProps) {
  const t = useTranslations('intake');
  return (
    <span className={touchOnly ? 'pointer-fine:hidden' : 'contents'}>
      <FileButton
        fileLabel={t('photo.label')}
        accept="image/*"
        camera
        className={className}
        disabled={disabled}
        onFiles={([file]) => onPicture(file)}
      >
        {children}
      </FileButton>
    </span>
  );
}

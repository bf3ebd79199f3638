'use client';
import { type ClipboardEvent, type DragEvent, useState } from 'react';

/**
 * Files that are dropped or pasted. @returns what a place to drop hears, whether something is held over it, and what a field
 * hears of pasting
 *
 * @param onText hears text that is dragged there
 */
export function useFilesByHand(onFiles: (files: readonly File[]) => void, onText?: (text: string) => void) {
  const [isOver, setOver] = useState(false);
  return {
    isOver,
    onDragOver: (event: DragEvent) => {
      event.preventDefault();
      setOver(true);
    },
    onDragLeave: () => setOver(false),
    onDrop: (event: DragEvent) => {
      event.preventDefault();
      setOver(false);
      const files = [...event.dataTransfer.files];
      const text = event.dataTransfer.getData('text/plain');
      if (files.length > 0) onFiles(files);
      else if (text !== '') onText?.(text);
    },
    onPaste: (event: ClipboardEvent) => {
      const files = [...event.clipboardData.files];
      if (files.length === 0) return;
      event.preventDefault();
      onFiles(files);
    },
  };
}

'use client';
import { useRef } from 'react';
import { Button } from './button';

type ButtonProps = Pick<Parameters<typeof Button>[0], 'weight' | 'className' | 'disabled' | 'children' | 'aria-label'>;

interface FileButtonProps extends ButtonProps {
  /** what the chosen file is, for anyone who does not see the button */
  fileLabel: string;
  /** media types, as in the attribute; left out: any */
  accept?: string;
  multiple?: boolean;
  /** a device with a camera opens it */
  camera?: boolean;
  /** what was chosen: at least one file */
  onFiles: (files: [File, ...File[]]) => void;
}

/** A button that lets somebody choose files. */
export function FileButton({ fileLabel, accept, multiple, camera = false, onFiles, ...button }: FileButtonProps) {
  const chooser = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button {...button} onClick={() => chooser.current?.click()} />
      <input
        ref={chooser}
        type="file"
        accept={accept}
        multiple={multiple}
        capture={camera ? 'environment' : undefined}
        tabIndex={-1}
        aria-label={fileLabel}
        className="sr-only"
        onChange={(event) => {
          const [first, ...others] = [...(event.target.files ?? [])];
          // The same file may be chosen again.
          event.target.value = '';
          if (first !== undefined) onFiles([first, ...others]);
        }}
      />
    </>
  );
}

import type { ComponentPropsWithRef, RefObject } from 'react';

interface FileInputProps {
  readonly label: string;
  /** Endings of names, as the browser's own dialog takes them. */
  readonly accept: string;
  readonly onFile: (file: File) => void;
  /** A button beside it opens the dialog by this. */
  readonly ref: RefObject<HTMLInputElement | null>;
}

/** Opens the browser's dialog for one file. The same file can be chosen twice in a row. */
export const FileInput = ({ label, accept, onFile, ref }: FileInputProps) => (
  <input
    ref={ref}
    type="file"
    hidden
    accept={accept}
    aria-label={label}
    onChange={({ target }) => {
      const [file] = target.files ?? [];
      target.value = '';
      if (file !== undefined) onFile(file);
    }}
  />
);

/** The field of a place where files are dropped; the place itself fills in what it does. */
export const DropInput = (props: ComponentPropsWithRef<'input'>) => <input {...props} />;

import type { FormatTarget } from '@zest/core/formats/format';
import { acceptOf } from '@zest/core/formats/formats';
import type { ComponentPropsWithRef, RefObject } from 'react';

interface FileInputProps {
  readonly label: string;
  /** Where the file goes: which kinds the browser's own dialog offers. */
  readonly target: FormatTarget;
  readonly onFile: (file: File) => void;
  /** A button beside it opens the dialog by this. */
  readonly ref: RefObject<HTMLInputElement | null>;
}

/** Opens the browser's dialog for one file. The same file can be chosen twice in a row. */
export const FileInput = ({ label, target: takenBy, onFile, ref }: FileInputProps) => (
  <input
    ref={ref}
    type="file"
    hidden
    accept={acceptOf(takenBy)}
    aria-label={label}
    onChange={({ target }) => {
      const [file] = target.files ?? [];
      target.value = '';
      if (file !== undefined) onFile(file);
    }}
  />
);

type DropInputProps = Omit<ComponentPropsWithRef<'input'>, 'target'> & { readonly target: FormatTarget };

/**
 * The field of a place where files are dropped; the place itself fills in what it does. Whatever is dropped is taken
 * to the reader all the same, which refuses it by name: a place that ignores a file says nothing.
 */
export const DropInput = ({ target, ...props }: DropInputProps) => (
  <input {...props} accept={acceptOf(target)} />
);

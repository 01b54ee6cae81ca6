import type { ComponentPropsWithRef } from 'react';

type ButtonProps = ComponentPropsWithRef<'button'>;

/** A button with the look of a class of the theme; further classes say where it stands. */
const makeButton =
  (look: string) =>
  ({ className, type = 'button', ...props }: ButtonProps) => (
    <button type={type} className={className === undefined ? look : `${look} ${className}`} {...props} />
  );

/** Looks like what it stands in. */
export const BareButton = makeButton('bare-button');
/** A step in words, in a line of text. */
export const TextButton = makeButton('text-button');
/** All picture; its words are its label. */
export const IconButton = makeButton('icon-button');
/** One of a few short choices in a row. */
export const Chip = makeButton('chip');
/** A row of a list that is opened beside it. */
export const ListButton = makeButton('list-item');
/** A tool on the dock, or what is done with it. */
export const DockButton = makeButton('dock-button');

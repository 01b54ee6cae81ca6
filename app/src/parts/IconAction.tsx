import type { LucideIcon } from 'lucide-react';
import { IconButton } from './buttons.tsx';
import { styles } from './styles.ts';

interface IconActionProps {
  readonly label: string;
  readonly icon: LucideIcon;
  /** A short word beside the picture, where there is room for it. */
  readonly word?: string;
  readonly onClick: () => void;
}

/** A small button that is all picture; its words are for readers and for the pointer that rests on it. */
export const IconAction = ({ label, icon: Icon, word, onClick }: IconActionProps) => (
  <IconButton aria-label={label} title={label} onClick={onClick}>
    <Icon size={15} aria-hidden="true" />
    {word === undefined ? null : <span className={styles.iconWord}>{word}</span>}
  </IconButton>
);

import type { LucideIcon } from 'lucide-react';

interface IconActionProps {
  readonly label: string;
  readonly icon: LucideIcon;
  readonly onClick: () => void;
}

/** A small button that is all picture; its words are for readers and for the pointer that rests on it. */
export const IconAction = ({ label, icon: Icon, onClick }: IconActionProps) => (
  <button type="button" className="icon-button" aria-label={label} title={label} onClick={onClick}>
    <Icon size={15} />
  </button>
);

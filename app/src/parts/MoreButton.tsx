import { ChevronDown, ChevronRight } from 'lucide-react';
import { IconButton } from './buttons.tsx';

interface MoreButtonProps {
  readonly label: string;
  readonly open: boolean;
  readonly onToggle: () => void;
}

/** Opens and closes what there is more to say about a row; not a stop of its own on the way by Tab. */
export function MoreButton({ label, open, onToggle }: MoreButtonProps) {
  return (
    <IconButton tabIndex={-1} aria-label={label} aria-expanded={open} onClick={onToggle}>
      {open ? <ChevronDown size={14} /> : <ChevronRight size={14} />}
    </IconButton>
  );
}

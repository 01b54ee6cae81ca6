import { Button } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { t } from '../messages/t.ts';

interface DialogButtonsProps {
  readonly onCancel: () => void;
  readonly onDone: () => void;
  readonly disabled?: boolean;
  /** What is done, in words. */
  readonly children: ReactNode;
}

/** The two ways out of a dialog: to leave things as they are, and to do it. */
export function DialogButtons({ onCancel, onDone, disabled = false, children }: DialogButtonsProps) {
  return (
    <>
      <Button size="sm" variant="outline" onClick={onCancel}>
        {t('common.cancel')}
      </Button>
      <Button size="sm" disabled={disabled} onClick={onDone}>
        {children}
      </Button>
    </>
  );
}

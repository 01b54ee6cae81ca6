import { CloseButton, Dialog, Portal } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { t } from '../messages/t.ts';

interface ModalProps {
  readonly title: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
  readonly footer?: ReactNode;
  readonly size?: 'sm' | 'md' | 'lg' | 'xl';
  /** A question that only its buttons and Escape answer: a click or the focus beside it does not. */
  readonly insists?: boolean;
}

/** A dialog with a title, a way out, and focus that stays inside. */
export function Modal({ title, onClose, children, footer, size = 'md', insists = false }: ModalProps) {
  return (
    <Dialog.Root
      open
      onOpenChange={({ open }) => (open ? undefined : onClose())}
      size={size}
      placement="center"
      closeOnInteractOutside={!insists}
      // What is long scrolls inside, so that its buttons stay in sight.
      scrollBehavior={size === 'xl' ? 'inside' : 'outside'}
    >
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content>
            <Dialog.Header>
              <Dialog.Title fontSize="16px">{title}</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body>{children}</Dialog.Body>
            {footer === undefined ? null : <Dialog.Footer>{footer}</Dialog.Footer>}
            <Dialog.CloseTrigger asChild>
              <CloseButton size="sm" aria-label={t('common.close')} />
            </Dialog.CloseTrigger>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}

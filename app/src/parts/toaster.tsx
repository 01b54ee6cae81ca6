import { Toaster as ChakraToaster, Portal, Toast, createToaster } from '@chakra-ui/react';

/** Short words on what just happened; anything that must be acted on stands in the page instead. */
export const toaster = createToaster({ placement: 'bottom-end', duration: 6000, max: 3 });

export const tellProblem = (text: string): void => {
  toaster.create({ description: text, type: 'error', duration: 9000, closable: true });
};

export const tell = (
  text: string,
  action?: { readonly label: string; readonly onClick: () => void },
): void => {
  toaster.create({
    description: text,
    type: 'info',
    closable: true,
    ...(action === undefined ? {} : { action }),
  });
};

export function Toasts() {
  return (
    <Portal>
      <ChakraToaster toaster={toaster} insetInline={{ mdDown: '4' }}>
        {(toast) => (
          <Toast.Root width={{ md: 'sm' }}>
            <Toast.Description>{toast.description}</Toast.Description>
            {toast.action === undefined ? null : (
              <Toast.ActionTrigger>{toast.action.label}</Toast.ActionTrigger>
            )}
            <Toast.CloseTrigger />
          </Toast.Root>
        )}
      </ChakraToaster>
    </Portal>
  );
}

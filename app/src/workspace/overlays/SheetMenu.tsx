import { Menu, Portal } from '@chakra-ui/react';
import { ChevronUp } from 'lucide-react';
import { runAction, useActions } from '../../actions/useActions.ts';
import { DockButton } from '../../parts/buttons.tsx';
import { t } from '../../messages/t.ts';

/** What is done to the sheet as a whole; each is in the finder by its name as well. */
export function SheetMenu() {
  const actions = useActions().filter(({ inMenu }) => inMenu?.menu === 'sheet');
  return (
    <Menu.Root positioning={{ placement: 'top-end' }}>
      <Menu.Trigger asChild>
        <DockButton>
          {t('workspace.sheet2')} <ChevronUp size={13} aria-hidden="true" />
        </DockButton>
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content>
            {actions.map((action) => (
              <Menu.Item key={action.id} value={action.id} onClick={() => runAction(action)}>
                {action.inMenu?.words}
              </Menu.Item>
            ))}
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}

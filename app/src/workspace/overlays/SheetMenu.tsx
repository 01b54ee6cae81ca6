import { Menu, Portal } from '@chakra-ui/react';
import { ChevronUp } from 'lucide-react';
import { useActions } from '../../actions/useActions.ts';
import { DockButton } from '../../parts/buttons.tsx';
import { t } from '../../messages/t.ts';

/** What is done to the sheet as a whole; each is in the finder by its name as well. */
const ITEMS: readonly (readonly [id: string, name: string])[] = [
  ['straighten', t('workspace.straightenCropLighten')],
  ['scale-part', t('workspace.scaleOfAPart3')],
  ['pen-schedule', t('workspace.readASchedule2')],
  ['join', t('workspace.joinWithAnotherSheet')],
  ['legend', t('workspace.legendOnOrOff')],
  ['sheet-pdf', t('workspace.sheetWithMarksAsPdf')],
  ['sheet-png', t('workspace.sheetWithMarksAsPng')],
  ['marks-dxf', t('workspace.marksAsDxf')],
  ['marks-geojson', t('workspace.marksAsGeojson')],
];

export function SheetMenu() {
  const actions = useActions();
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
            {ITEMS.map(([id, name]) => (
              <Menu.Item key={id} value={id} onClick={() => actions.find((each) => each.id === id)?.run()}>
                {name}
              </Menu.Item>
            ))}
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}

import { Menu, Portal } from '@chakra-ui/react';
import { ChevronUp } from 'lucide-react';
import { useActions } from '../../actions/useActions.ts';
import { DockButton } from '../../parts/buttons.tsx';

/** What is done to the sheet as a whole; each is in the finder by its name as well. */
const ITEMS: readonly (readonly [id: string, name: string])[] = [
  ['straighten', 'Straighten, crop, lighten'],
  ['scale-part', 'Scale of a part'],
  ['pen-schedule', 'Read a schedule'],
  ['join', 'Join with another sheet'],
  ['legend', 'Legend on or off'],
  ['sheet-pdf', 'Sheet with marks as PDF'],
  ['sheet-png', 'Sheet with marks as PNG'],
  ['marks-dxf', 'Marks as DXF'],
  ['marks-geojson', 'Marks as GeoJSON'],
];

export function SheetMenu() {
  const actions = useActions();
  return (
    <Menu.Root positioning={{ placement: 'top-end' }}>
      <Menu.Trigger asChild>
        <DockButton>
          Sheet <ChevronUp size={13} aria-hidden="true" />
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

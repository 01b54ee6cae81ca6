import { Button, Menu, Portal } from '@chakra-ui/react';
import { Ellipsis } from 'lucide-react';

interface MoreMenuProps {
  readonly label: string;
  readonly entries: readonly (readonly [words: string, onSelect: () => void])[];
}

/** What is done less often, behind one button. */
export function MoreMenu({ label, entries }: MoreMenuProps) {
  return (
    <Menu.Root>
      <Menu.Trigger asChild>
        <Button size="sm" variant="outline" aria-label={label} title={label}>
          <Ellipsis size={14} />
        </Button>
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content>
            {entries.map(([words, onSelect]) => (
              <Menu.Item key={words} value={words} onSelect={onSelect}>
                {words}
              </Menu.Item>
            ))}
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}

import { Button, Menu, Portal } from '@chakra-ui/react';
import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import type { DocumentBlock } from '@zest/core/job/records/document';
import { DragList } from '../../parts/DragList.tsx';
import { IconAction } from '../../parts/IconAction.tsx';
import { ListButton } from '../../parts/buttons.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { t } from '../../messages/t.ts';
import { BlockFields } from './BlockFields.tsx';
import { BLOCK_WORDS } from './blockWords.ts';
import { NewPicture } from './NewPicture.tsx';
import { freeKey, newBlock } from './newBlock.ts';
import type { TextProblem } from './printDocument.ts';
import { styles } from './styles.ts';
import type { DocumentChanges, ListedDocument } from './useDocuments.ts';
import { useBlockSources } from './useBlockSources.ts';

interface BlockPanelProps {
  readonly current: ListedDocument;
  readonly changes: DocumentChanges;
  readonly problems: readonly TextProblem[];
}

const NEW_BLOCKS = [
  'text',
  'prices',
  'unit-prices',
  'values',
  'alternates',
  'allowances',
  'inclusions',
  'exclusions',
  'notes',
  'terms',
  'signatures',
  'sheet',
  'report',
  'letterhead',
  'client',
  'break',
] as const satisfies readonly DocumentBlock['kind'][];

/** The parts of a document: their order, and what can be chosen of each. */
export function BlockPanel({ current, changes, problems }: BlockPanelProps) {
  const { blocks } = current.spec;
  const [chosen, setChosen] = useState<string | undefined>();
  const block = blocks.find(({ key }) => key === chosen);
  const set = (
    label: string,
    next: (blocks: readonly DocumentBlock[]) => readonly DocumentBlock[],
  ): string | undefined => changes.change(label, (spec) => ({ ...spec, blocks: next(spec.blocks) }));
  const said = (refused: string | undefined): void => {
    if (refused !== undefined) tellProblem(refused);
  };
  const order = (keys: readonly string[]): void =>
    said(set(t('bid.moveBlocks'), (all) => keys.flatMap((key) => all.filter((each) => each.key === key))));
  const add = (made: DocumentBlock): void => {
    // After the one that is chosen, so that it stands where one looks.
    const label = t('bid.addBlockNamed', { name: BLOCK_WORDS[made.kind] });
    said(set(label, (all) => insertAfter(all, chosen, made)));
    setChosen(made.key);
  };
  return (
    <div className={styles.fields}>
      <AddBlock blocks={blocks} onAdd={add} />
      <div className={styles.blockList} role="group" aria-label={t('bid.blocks')}>
        <DragList ids={blocks.map(({ key }) => key)} nameOf={(key) => nameOf(blocks, key)} onOrder={order}>
          {(key) => (
            <BlockRow
              block={blocks.find((each) => each.key === key)}
              isChosen={key === chosen}
              onChoose={() => setChosen(key === chosen ? undefined : key)}
              onRemove={(name) =>
                said(
                  set(t('bid.removeBlockNamed', { name }), (all) => all.filter((each) => each.key !== key)),
                )
              }
            />
          )}
        </DragList>
      </div>
      {block === undefined ? null : (
        <BlockFields
          key={block.key}
          block={block}
          problems={problems}
          onChange={(changed) =>
            set(t('bid.changeDocument', { name: current.spec.name }), (all) =>
              all.map((each) => (each.key === block.key ? changed : each)),
            )
          }
        />
      )}
    </div>
  );
}

const nameOf = (blocks: readonly DocumentBlock[], key: string): string => {
  const block = blocks.find((each) => each.key === key);
  return block === undefined ? '' : block.heading || BLOCK_WORDS[block.kind];
};

function insertAfter(
  all: readonly DocumentBlock[],
  key: string | undefined,
  made: DocumentBlock,
): readonly DocumentBlock[] {
  const at = all.findIndex((each) => each.key === key);
  const place = at < 0 ? all.length : at + 1;
  return [...all.slice(0, place), made, ...all.slice(place)];
}

interface BlockRowProps {
  readonly block: DocumentBlock | undefined;
  readonly isChosen: boolean;
  readonly onChoose: () => void;
  readonly onRemove: (name: string) => void;
}

function BlockRow({ block, isChosen, onChoose, onRemove }: BlockRowProps) {
  if (block === undefined) return null;
  const name = block.heading || BLOCK_WORDS[block.kind];
  return (
    <div className={styles.blockRow}>
      <ListButton aria-current={isChosen} onClick={onChoose}>
        {name}
        {name === BLOCK_WORDS[block.kind] ? null : <small>{BLOCK_WORDS[block.kind]}</small>}
      </ListButton>
      <IconAction label={t('bid.removeBlock', { name })} icon={X} onClick={() => onRemove(name)} />
    </div>
  );
}

interface AddBlockProps {
  readonly blocks: readonly DocumentBlock[];
  readonly onAdd: (block: DocumentBlock) => void;
}

function AddBlock({ blocks, onAdd }: AddBlockProps) {
  const sources = useBlockSources();
  const offered = NEW_BLOCKS.filter(
    (kind) =>
      (kind !== 'sheet' || sources.sheets.length > 0) && (kind !== 'report' || sources.reports.length > 0),
  );
  return (
    <div className={styles.addBlock}>
      <Menu.Root>
        <Menu.Trigger asChild>
          <Button size="sm" variant="outline">
            <Plus size={14} /> {t('bid.addBlock')}
          </Button>
        </Menu.Trigger>
        <Portal>
          <Menu.Positioner>
            <Menu.Content maxH="320px" overflowY="auto">
              {offered.map((kind) => (
                <Menu.Item
                  key={kind}
                  value={kind}
                  onSelect={() => onAdd(newBlock(kind, freeKey(blocks, kind), sources))}
                >
                  {BLOCK_WORDS[kind]}
                </Menu.Item>
              ))}
            </Menu.Content>
          </Menu.Positioner>
        </Portal>
      </Menu.Root>
      <NewPicture
        onPicture={(fileId) =>
          onAdd({ kind: 'picture', key: freeKey(blocks, 'picture'), fileId, caption: '', widthPercent: 60 })
        }
      />
    </div>
  );
}

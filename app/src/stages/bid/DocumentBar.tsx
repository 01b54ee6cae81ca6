import { Button, Menu, Portal } from '@chakra-ui/react';
import { ChevronDown, Download } from 'lucide-react';
import { useState } from 'react';
import type { Figures } from '@zest/core/calculate/figures';
import { settingsOf } from '@zest/core/job/job';
import { BID_DETAILS, type BidDetail } from '@zest/core/job/records/document';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { MoreMenu } from '../../parts/MoreMenu.tsx';
import { Progress } from '../../parts/Progress.tsx';
import { TextButton } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { printFile } from '../../platform/printFile.ts';
import { fileName } from '../../storage/jobFiles.ts';
import { useOpenJob, useServices } from '../../stores/context.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import type { DocumentFile } from '../../workers/reportProtocol.ts';
import { useWriting } from '../reports/useWriter.ts';
import { EvidenceDialog } from './evidence/EvidenceDialog.tsx';
import { DETAIL_WORDS } from './blockWords.ts';
import { KeepVersionDialog } from './KeepVersionDialog.tsx';
import type { Printed } from './printDocument.ts';
import type { DocumentChanges, ListedDocument } from './useDocuments.ts';

interface DocumentBarProps {
  readonly current: ListedDocument;
  readonly changes: DocumentChanges;
  readonly printed: Printed;
  /** How many it has. */
  readonly pages: number;
}

/** What a document is called, what the client sees of the prices, and where it goes. */
export function DocumentBar({ current, changes, printed, pages }: DocumentBarProps) {
  const { name } = current.spec;
  return (
    <div className={`${layout.bar} wraps`}>
      {current.id === undefined ? (
        <h1>{current.label}</h1>
      ) : (
        <>
          <h1 className="sr-only">{name}</h1>
          <CommitInput
            label={t('bid.nameOfDocument')}
            look="bare"
            style={{ fontWeight: 600, fieldSizing: 'content', minWidth: 80, maxWidth: 260 }}
            value={name}
            onCommit={(text) =>
              changes.change(t('bid.renameDocument', { name: text }), (spec) => ({ ...spec, name: text }))
            }
          />
        </>
      )}
      <DetailChoice current={current} changes={changes} />
      <span className="grow" />
      <Exports current={current} printed={printed} pages={pages} />
      <MoreWithDocument current={current} changes={changes} />
    </div>
  );
}

/** The detail of the first prices in the document; nothing where it has none. */
function DetailChoice({ current, changes }: Pick<DocumentBarProps, 'current' | 'changes'>) {
  const prices = current.spec.blocks.find(({ kind }) => kind === 'prices');
  if (prices?.kind !== 'prices') return null;
  const choose = (detail: BidDetail): void => {
    const refused = changes.change(t('bid.changeDocument', { name: current.spec.name }), (spec) => ({
      ...spec,
      blocks: spec.blocks.map((block) => (block.key === prices.key ? { ...prices, detail } : block)),
    }));
    if (refused !== undefined) tellProblem(refused);
  };
  return (
    <label className="soft">
      {t('bid.theClientSees')}{' '}
      <Select
        style={{ width: 190 }}
        value={prices.detail}
        onChange={(event) => choose(event.target.value as BidDetail)}
      >
        {BID_DETAILS.map((each) => (
          <option key={each} value={each}>
            {DETAIL_WORDS[each]}
          </option>
        ))}
      </Select>
    </label>
  );
}

const FILE_WORDS = {
  docx: t('bid.bidAsDocx'),
  xlsx: t('bid.bidAsXlsx'),
  html: t('bid.bidAsHtml'),
} as const;

/** Files for the office: with costs, not for the client. */
const OFFICE_FILES: readonly {
  readonly words: string;
  readonly ending: string;
  readonly write: (figures: Figures) => Promise<Blob>;
}[] = [
  {
    words: t('bid.workbookForOffice'),
    ending: '-estimate.xlsx',
    write: async (figures) => (await import('./writeXlsx.ts')).writeXlsx(figures),
  },
  {
    words: t('bid.estimateAsCsv'),
    ending: '-estimate.csv',
    write: async (figures) => (await import('./writeCsv.ts')).writeCsv(figures),
  },
  {
    words: t('bid.materialList'),
    ending: '-materials.csv',
    write: async (figures) => (await import('./writeCsv.ts')).writeMaterials(figures),
  },
];

function Exports({ current, printed: { document, isComplete }, pages }: Omit<DocumentBarProps, 'changes'>) {
  const { figures, job } = useOpenJob();
  const services = useServices();
  const { writing, run, stop } = useWriting();
  const [keeping, setKeeping] = useState<Blob | undefined>();
  const [isMakingBook, setMakingBook] = useState(false);
  const name = settingsOf(job).name;
  const write = (as: DocumentFile): Promise<Blob | undefined> =>
    run(as, (remote, onWritten) => remote.writeDocument(document, as, onWritten));
  const save = async (as: DocumentFile): Promise<void> => {
    const blob = await write(as);
    if (blob !== undefined) services.download(fileName(document.title, `.${as}`), blob);
  };
  const print = async (): Promise<void> => {
    const blob = await write('pdf');
    if (blob !== undefined) printFile(blob);
  };
  const keep = async (): Promise<void> => setKeeping(await write('pdf'));
  const office = async ({ ending, write: make }: (typeof OFFICE_FILES)[number]): Promise<void> => {
    try {
      services.download(fileName(name, ending), await make(figures));
    } catch {
      const value = ending.slice(ending.lastIndexOf('.') + 1).toUpperCase();
      tellProblem(t('bid.theCouldntBeWrittenNothingWasChanged', { value }));
    }
  };
  if (writing !== undefined)
    return (
      <span role="status" style={{ display: 'inline-flex', gap: 8, alignItems: 'center' }}>
        <span className="soft">{t('bid.writing', { file: writing.as.toUpperCase() })}</span>
        <span style={{ width: 70 }}>
          <Progress label={t('bid.written')} done={writing.done} total={writing.of} />
        </span>
        <TextButton onClick={stop}>{t('bid.stop')}</TextButton>
      </span>
    );
  return (
    <>
      <Button size="sm" variant="outline" disabled={!isComplete} onClick={() => void print()}>
        {t('bid.print')}
      </Button>
      <SaveMenu isComplete={isComplete} save={save} office={office} onBook={() => setMakingBook(true)} />
      <Button size="sm" variant="outline" disabled={!isComplete} onClick={() => void keep()}>
        {t('bid.keepVersion')}
      </Button>
      <Button size="sm" disabled={!isComplete} onClick={() => void save('pdf')}>
        <Download size={14} /> {t('bid.savePdf')}
      </Button>
      {isMakingBook ? <EvidenceDialog onClose={() => setMakingBook(false)} /> : null}
      {keeping === undefined ? null : (
        <KeepVersionDialog
          document={current}
          pdf={keeping}
          pages={pages}
          onClose={() => setKeeping(undefined)}
        />
      )}
    </>
  );
}

interface SaveMenuProps {
  readonly isComplete: boolean;
  readonly save: (as: DocumentFile) => Promise<void>;
  readonly office: (file: (typeof OFFICE_FILES)[number]) => Promise<void>;
  readonly onBook: () => void;
}

/** A document as another kind of file, and what the office keeps beside it. */
const SaveMenu = ({ isComplete, save, office, onBook }: SaveMenuProps) => (
  <Menu.Root>
    <Menu.Trigger asChild>
      <Button size="sm" variant="outline">
        {t('bid.saveAs')} <ChevronDown size={12} />
      </Button>
    </Menu.Trigger>
    <Portal>
      <Menu.Positioner>
        <Menu.Content>
          {(['docx', 'xlsx', 'html'] as const).map((file) => (
            <Menu.Item key={file} value={file} disabled={!isComplete} onSelect={() => void save(file)}>
              {FILE_WORDS[file]}
            </Menu.Item>
          ))}
          <Menu.Item value="evidence" onSelect={onBook}>
            {t('bid.evidenceBookPdf')}
          </Menu.Item>
          <Menu.Separator />
          {OFFICE_FILES.map((file) => (
            <Menu.Item key={file.ending} value={file.ending} onSelect={() => void office(file)}>
              {file.words}
            </Menu.Item>
          ))}
        </Menu.Content>
      </Menu.Positioner>
    </Portal>
  </Menu.Root>
);

/** What is done with a document less often. */
function MoreWithDocument({ current, changes }: Pick<DocumentBarProps, 'current' | 'changes'>) {
  const { name } = current.spec;
  const duplicate = (): void => {
    const refused = changes.add(t('bid.addDocument', { name }), {
      ...current.spec,
      name: t('bid.copyOf', { name: name.slice(0, 180) }),
    });
    if (refused !== undefined) tellProblem(refused);
  };
  return (
    <MoreMenu
      label={t('bid.moreWithDocument')}
      entries={[
        [t('bid.duplicateDocument'), duplicate],
        ...(current.id === undefined ? [] : [[t('bid.deleteDocument'), changes.drop] as const]),
      ]}
    />
  );
}

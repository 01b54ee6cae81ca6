import { Button, Menu, Portal } from '@chakra-ui/react';
import { ChevronDown, Download } from 'lucide-react';
import type { OpenReport } from '@zest/core/reports/openReport';
import { Progress } from '../../parts/Progress.tsx';
import { TextButton } from '../../parts/buttons.tsx';
import { t } from '../../messages/t.ts';
import { REPORT_FILES, type ReportFile } from '../../workers/reportProtocol.ts';
import { useWriter } from './useWriter.ts';

const FILE_WORDS: Readonly<Record<ReportFile, string>> = {
  pdf: t('report.asPdf'),
  xlsx: t('report.asXlsx'),
  csv: t('report.asCsv'),
  html: t('report.asHtml'),
  xml: t('report.asXml'),
};

interface ExportMenuProps {
  /** The report as it is when it is asked for. */
  readonly getOpen: () => OpenReport;
  /** Somebody's own workbook is to be filled. */
  readonly onOwn: () => void;
}

/** A report as a file: one button, and how far it is while it is written. */
export function ExportMenu({ getOpen, onOwn }: ExportMenuProps) {
  const { writing, save, stop } = useWriter(getOpen);
  if (writing !== undefined)
    return (
      <span role="status" style={{ display: 'inline-flex', gap: 8, alignItems: 'center', minWidth: 200 }}>
        <span className="soft">{t('report.writing', { file: writing.as.toUpperCase() })}</span>
        <span style={{ width: 70 }}>
          <Progress label={t('report.written')} done={writing.done} total={writing.of} />
        </span>
        <TextButton onClick={stop}>{t('report.stop')}</TextButton>
      </span>
    );
  return (
    <Menu.Root>
      <Menu.Trigger asChild>
        <Button size="sm">
          <Download size={14} /> {t('report.saveAs')} <ChevronDown size={12} />
        </Button>
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content>
            {REPORT_FILES.map((file) => (
              <Menu.Item key={file} value={file} onSelect={() => void save(file)}>
                {FILE_WORDS[file]}
              </Menu.Item>
            ))}
            <Menu.Item value="own" onSelect={onOwn}>
              {t('report.intoOwnWorkbook')}
            </Menu.Item>
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}

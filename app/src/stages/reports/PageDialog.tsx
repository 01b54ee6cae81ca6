import { Button } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { BUDGETS_MS } from '@zest/core/formats/limits';
import type { OpenReport } from '@zest/core/reports/openReport';
import type { LaidPages } from '@zest/core/reports/pages/page';
import { Modal } from '../../parts/Modal.tsx';
import { t } from '../../messages/t.ts';
import { addressOfLogo } from '../settings/readLogo.ts';
import { PageFields } from './PageFields.tsx';
import { PageView } from '../../figures/PageView.tsx';
import { printFile } from '../../platform/printFile.ts';
import { printReport } from './printReport.ts';
import { styles } from './styles.ts';
import { useWriter, type ReportWriter } from './useWriter.ts';
import type { ChangeSpec } from './useReports.ts';

interface PageDialogProps {
  readonly open: OpenReport;
  readonly change: ChangeSpec;
  readonly onClose: () => void;
}

const SHOWN_PAGES = 12;
const NONE: Readonly<Record<string, string>> = {};

/** How a report is printed, with its pages as they will be. */
export function PageDialog({ open, change, onClose }: PageDialogProps) {
  const writer = useWriter(() => open);
  const laid = useLaidPages(open, writer.worker);
  const print = async (): Promise<void> => {
    const blob = await writer.write('pdf');
    if (blob !== undefined) printFile(blob);
  };
  return (
    <Modal
      title={t('report.pageOf', { name: open.spec.name })}
      size="xl"
      onClose={onClose}
      footer={
        <>
          <Button
            size="sm"
            variant="outline"
            disabled={writer.writing !== undefined}
            onClick={() => void print()}
          >
            {t('report.print')}
          </Button>
          <Button
            size="sm"
            variant="outline"
            disabled={writer.writing !== undefined}
            onClick={() => void writer.save('pdf')}
          >
            {t('report.asPdf')}
          </Button>
          <Button size="sm" onClick={onClose}>
            {t('report.done')}
          </Button>
        </>
      }
    >
      <div className={styles.pageForm}>
        <PageFields open={open} change={change} />
        <Preview open={open} laid={laid} />
      </div>
    </Modal>
  );
}

interface PreviewProps {
  readonly open: OpenReport;
  readonly laid: Laid | undefined;
}

/** The first pages, as they will be. */
function Preview({ open, laid }: PreviewProps) {
  const [ofJob] = open.context.figures.job.logo.values();
  const pictures = ofJob === undefined ? NONE : { logo: addressOfLogo(ofJob) };
  return (
    <div>
      <p className="soft" role="status">
        {laid === undefined
          ? t('report.layingOut')
          : `${t('count.page', { count: laid.count })}${
              laid.count > laid.pages.length ? t('report.firstShown', { number: laid.pages.length }) : ''
            }`}
      </p>
      <div className={styles.preview} tabIndex={0} role="region" aria-label={t('report.pages')}>
        {laid?.pages.map((page, at) => (
          <PageView
            key={at}
            page={page}
            laid={laid}
            label={t('report.pageNumber', { number: at + 1 })}
            pictures={pictures}
          />
        ))}
      </div>
    </div>
  );
}

type Laid = LaidPages & { readonly count: number };

/** The pages as they will be printed, laid out beside the page and again with every change. */
function useLaidPages(open: OpenReport, worker: ReportWriter): Laid | undefined {
  const [laid, setLaid] = useState<Laid | undefined>();
  useEffect(() => {
    let current = true;
    worker
      .ask((remote) => remote.layOut(printReport(open), SHOWN_PAGES), BUDGETS_MS.report)
      .then(
        (pages) => {
          if (current) setLaid(pages);
        },
        () => undefined,
      );
    return () => {
      current = false;
    };
  }, [open, worker]);
  return laid;
}

import { Button } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { BUDGETS_MS } from '@zest/core/formats/limits';
import type { OpenReport } from '@zest/core/reports/openReport';
import type { LaidPages } from '@zest/core/reports/pages/page';
import { Modal } from '../../parts/Modal.tsx';
import { t } from '../../messages/t.ts';
import { PageFields } from './PageFields.tsx';
import { PageView } from './PageView.tsx';
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
              <PageView key={at} page={page} laid={laid} label={t('report.pageNumber', { number: at + 1 })} />
            ))}
          </div>
        </div>
      </div>
    </Modal>
  );
}

/** The pages as they will be printed, laid out beside the page and again with every change. */
function useLaidPages(
  open: OpenReport,
  worker: ReportWriter,
): (LaidPages & { readonly count: number }) | undefined {
  const [laid, setLaid] = useState<(LaidPages & { readonly count: number }) | undefined>();
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

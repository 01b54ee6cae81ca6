import { useState } from 'react';
import { useParams } from 'react-router';
import { settingsOf } from '@zest/core/job/job';
import { Segments } from '../../parts/Segments.tsx';
import { useOpenJob } from '../../stores/context.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { useReportWorker } from '../reports/useWriter.ts';
import { BlockPanel } from './BlockPanel.tsx';
import { DocumentBar } from './DocumentBar.tsx';
import { DocumentList } from './DocumentList.tsx';
import { DocumentPages } from './DocumentPages.tsx';
import { Wording } from './Wording.tsx';
import { styles } from './styles.ts';
import { useDocumentChanges, useListedDocuments } from './useDocuments.ts';
import { useLaidDocument, usePrinted } from './usePrinted.ts';

/** What goes to the client: documents made of blocks, as they are printed. */
export function BidStage() {
  const { documentId = '' } = useParams();
  const documents = useListedDocuments();
  const current = documents.find(({ key }) => key === documentId) ?? documents[0];
  const changes = useDocumentChanges(current);
  if (current === undefined) throw new Error('BidStage: a job has the usual bid where it has no other');
  return (
    <div className={styles.bid}>
      <DocumentList documents={documents} current={current} changes={changes} />
      <DocumentView key={current.id ?? ''} current={current} changes={changes} />
    </div>
  );
}

type DocumentViewProps = Omit<Parameters<typeof DocumentList>[0], 'documents'>;

function DocumentView({ current, changes }: DocumentViewProps) {
  const { job } = useOpenJob();
  const printed = usePrinted(current.spec);
  const worker = useReportWorker();
  const laid = useLaidDocument(printed, worker);
  const [side, setSide] = useState<'wording' | 'blocks'>('wording');
  return (
    <div className={layout.stage}>
      <DocumentBar current={current} changes={changes} printed={printed} pages={laid?.count ?? 1} />
      <div className={styles.document}>
        <DocumentPages printed={printed} laid={laid} />
        <aside className={styles.bidSide} aria-label={t('bid.wordingOrBlocks')}>
          <Segments
            label={t('bid.wordingOrBlocks')}
            value={side}
            options={[
              ['wording', t('bid.wording')],
              ['blocks', t('bid.blocks')],
            ]}
            onChoose={setSide}
          />
          {side === 'wording' ? (
            <Wording settings={settingsOf(job)} />
          ) : (
            <BlockPanel current={current} changes={changes} problems={printed.problems} />
          )}
        </aside>
      </div>
    </div>
  );
}

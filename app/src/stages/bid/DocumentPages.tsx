import { useMemo } from 'react';
import { PageView } from '../../figures/PageView.tsx';
import { listUnpriced } from '@zest/core/reports/unpriced';
import { useOpenJob } from '../../stores/context.tsx';
import { t } from '../../messages/t.ts';
import type { CountedPages } from '../../workers/reportProtocol.ts';
import type { Printed } from './printDocument.ts';
import { styles } from './styles.ts';

interface DocumentPagesProps {
  readonly printed: Printed;
  readonly laid: CountedPages | undefined;
  /** It says what the bid comes to, and so whether anything is missing in that. */
  readonly isOfBid?: boolean;
}

/** The pages of a document as they will be printed. */
export function DocumentPages({ printed: { document }, laid, isOfBid = true }: DocumentPagesProps) {
  const { figures } = useOpenJob();
  const unpriced = listUnpriced(figures).length;
  const pictures = useMemo(
    () =>
      Object.fromEntries(
        Object.entries(document.pictures).map(([name, { mediaType, data }]) => [
          name,
          `data:${mediaType};base64,${data}`,
        ]),
      ),
    [document.pictures],
  );
  return (
    <div className={styles.bidDesk} tabIndex={0} role="region" aria-label={t('bid.theBidAsItIsPrinted')}>
      <p className="soft" role="status">
        {laid === undefined
          ? t('bid.layingOut')
          : `${t('count.page', { count: laid.count })}${
              laid.count > laid.pages.length ? t('bid.firstShown', { number: laid.pages.length }) : ''
            }`}
        {unpriced === 0 || !isOfBid ? null : (
          <span className="warn">
            {t('bid.notInTheTotalYet', { lines: t('count.line', { count: unpriced }) })}
          </span>
        )}
      </p>
      <article className={styles.bidPaper} aria-label={document.title} lang={document.language}>
        {laid?.pages.map((page, at) => (
          <PageView
            key={at}
            page={page}
            laid={laid}
            label={t('bid.pageNumber', { number: at + 1 })}
            pictures={pictures}
          />
        ))}
      </article>
    </div>
  );
}

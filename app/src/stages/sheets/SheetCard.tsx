import { unscaledSheets } from '@zest/core/doubts/unscaledSheets';
import { Trash2 } from 'lucide-react';
import { type Dispatch, type SetStateAction, useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { update } from '@zest/core/job/change';
import { removeSheet } from '@zest/core/job/commands/removeWith';
import type { Sheet } from '@zest/core/job/records/sheet';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { createSheetFiles, pictureKey } from '../../platform/sheetFiles.ts';
import { useFormats, useJobActions, useOpenJob, useServices, useSetView } from '../../stores/context.tsx';
import { ScaleDialog } from './ScaleDialog.tsx';
import { checkError } from '@zest/core/takeoff/checkError';
import { writeError, writeScale } from './scaleWords.ts';
import { BareButton, IconButton, TextButton } from '../../parts/buttons.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';

interface SheetCardProps {
  readonly sheet: Sheet;
  /** What was found on it, and the words that were looked for. */
  readonly hit: string | undefined;
  readonly sought: string;
}

export function SheetCard({ sheet, hit, sought }: SheetCardProps) {
  const settle = useSettle();
  const navigate = useNavigate();
  const setView = useSetView();
  const { jobId } = useOpenJob();
  const { numbers } = useFormats();
  const [scaling, setScaling] = useState(false);
  const open = (): void => {
    setView({ soughtText: hit === undefined ? '' : sought });
    void navigate(`/job/${jobId}/measure/${encodeURIComponent(sheet.id)}`);
  };
  const change = (label: string, changed: Partial<Sheet>): string | undefined => {
    return settle(
      label,
      update(sheet, (now) => ({ ...now, ...changed })),
    );
  };
  const error = checkError(sheet);
  return (
    <article className={styles.sheetCard} aria-label={`${sheet.number} ${sheet.title}`}>
      <BareButton
        className={styles.sheetThumb}
        onClick={open}
        aria-label={t('sheets.open', { number: sheet.number, title: sheet.title })}
      >
        <Thumbnail sheet={sheet} />
      </BareButton>
      <div className={styles.sheetFacts}>
        <CardNames sheet={sheet} change={change} />
        <CardScale sheet={sheet} setScaling={setScaling} />
        <span className="soft cut" style={{ fontSize: 12, minHeight: 17 }}>
          {hit !== undefined
            ? `… ${hit} …`
            : error !== undefined
              ? writeError(error, numbers)
              : sheet.scale === null && sheet.printedScale !== ''
                ? t('sheets.theSheetSays2', { printedScale: sheet.printedScale })
                : ''}
        </span>
      </div>
      {scaling ? (
        <ScaleDialog
          sheet={sheet}
          onClose={() => setScaling(false)}
          onPoints={() => {
            setView({ tool: 'scale' });
            open();
          }}
        />
      ) : null}
    </article>
  );
}

interface CardScaleProps {
  readonly sheet: Sheet;
  readonly setScaling: Dispatch<SetStateAction<boolean>>;
}

function CardScale({ sheet, setScaling }: CardScaleProps) {
  const { job, jobId } = useOpenJob();
  const { numbers } = useFormats();
  const navigate = useNavigate();
  return (
    <div style={{ display: 'flex', gap: 8, alignItems: 'center' }}>
      <span className={`cut ${unscaledSheets(job).has(sheet) ? 'warn' : 'soft'}`} style={{ flex: 1 }}>
        {writeScale(sheet, numbers)}
      </span>
      <TextButton onClick={() => void navigate(`/job/${jobId}/join/${encodeURIComponent(sheet.id)}`)}>
        {sheet.join === undefined ? t('sheets.join') : t('sheets.joinAgain')}
      </TextButton>
      <TextButton onClick={() => setScaling(true)}>
        {sheet.scale === null ? t('sheets.setScale') : t('sheets.change')}
      </TextButton>
    </div>
  );
}

interface CardNamesProps {
  readonly sheet: Sheet;
  readonly change: (label: string, changed: Partial<Sheet>) => string | undefined;
}

function CardNames({ sheet, change }: CardNamesProps) {
  const actions = useJobActions();
  return (
    <div className={styles.sheetNames}>
      <CommitInput
        label={t('sheets.sheetNumber')}
        value={sheet.number}
        onCommit={(number) => change(t('sheets.numberASheet'), { number })}
      />
      <CommitInput
        label={t('sheets.sheetTitle')}
        value={sheet.title}
        onCommit={(title) => change(t('sheets.renameASheet'), { title })}
      />
      <IconButton
        aria-label={t('sheets.remove', { number: sheet.number, title: sheet.title })}
        title={t('sheets.removeTheSheetAndItsMarks')}
        onClick={() =>
          actions.transact(t('sheets.removeSheet', { number: sheet.number }), removeSheet(sheet.id))
        }
      >
        <Trash2 size={15} />
      </IconButton>
    </div>
  );
}

function Thumbnail({ sheet }: { readonly sheet: Sheet }) {
  const services = useServices();
  const { jobId } = useOpenJob();
  const files = useMemo(() => createSheetFiles(services, jobId), [services, jobId]);
  const place = useRef<HTMLSpanElement>(null);
  const [url, setUrl] = useState<string | undefined>();
  const picture = pictureKey(sheet);
  useEffect(() => {
    let made: string | undefined;
    let gone = false;
    // Pictures are made for what comes into view first; a set of hundreds is never drawn at once.
    const watcher = new IntersectionObserver((entries) => {
      if (!entries.some(({ isIntersecting }) => isIntersecting)) return;
      watcher.disconnect();
      files.thumbnail(sheet).then(
        (blob) => {
          if (gone) return;
          made = URL.createObjectURL(blob);
          setUrl(made);
        },
        () => undefined,
      );
    });
    if (place.current !== null) watcher.observe(place.current);
    return () => {
      gone = true;
      watcher.disconnect();
      if (made !== undefined) URL.revokeObjectURL(made);
    };
    // The picture is of the page; names and scale do not change it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [files, picture]);
  return (
    <span ref={place} style={{ display: 'block', height: '100%' }}>
      {url === undefined ? null : <img src={url} alt="" />}
    </span>
  );
}

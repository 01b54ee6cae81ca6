import { Button } from '@chakra-ui/react';
import { proxy } from 'comlink';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import {
  PRICE_COLUMNS,
  type PriceField,
  type PriceMapping,
  findHeadRow,
  guessMapping,
} from '@zest/core/formats/prices/columns';
import { DUPLICATE_POLICIES, type DuplicatePolicy, planPrices } from '@zest/core/formats/prices/plan';
import type { ReadPrices, RefusedRow } from '@zest/core/formats/prices/read';
import { put } from '@zest/core/job/change';
import { DialogButtons } from '../../components/DialogButtons.tsx';
import { Modal } from '../../components/Modal.tsx';
import { tell } from '../../components/toaster.tsx';
import { useSettle } from '../../components/useSettle.ts';
import { describeProblem } from '../../messages/describeProblem.ts';
import { describePriceFile, describeRowFault } from '../../messages/describePrices.ts';
import { type GuardedWorker, WorkerEnded, createGuardedWorker } from '../../platform/guardedWorker.ts';
import { useFormats, useOpenJob, useServices } from '../../stores/context.tsx';
import type { PriceWorker, SheetHead } from '../../workers/pricesProtocol.ts';
import { EffectOnBid } from './EffectOnBid.tsx';
import { TextButton } from '../../parts/buttons.tsx';
import { Select, TextInput } from '../../parts/fields.tsx';
import { DropInput } from '../../parts/FileInput.tsx';
import { t } from '../../messages/t.ts';
import { BUDGETS_MS, LIMITS } from '@zest/core/formats/limits';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';

const POLICY_WORDS: Readonly<Record<DuplicatePolicy, string>> = {
  update: t('prices.replaceEverythingWithWhatTheFileSays'),
  prices: t('prices.replacePricesAndHoursOnly'),
  keep: t('prices.keepThemAsTheyAre'),
};

interface Opened {
  readonly name: string;
  readonly sheets: readonly SheetHead[];
}

/** A price list from a file: its columns are named, its rows looked at, and only then taken over. */
export function ImportDialog({ onClose }: { readonly onClose: () => void }) {
  const { job } = useOpenJob();
  const services = useServices();
  const settle = useSettle();
  const { numbers } = useFormats();
  const worker = usePriceWorker();
  const [opened, setOpened] = useState<Opened | undefined>();
  const [progress, setProgress] = useState<string | undefined>();
  const [error, setError] = useState<string | undefined>();
  const [sheet, setSheet] = useState(0);
  const [headRow, setHeadRow] = useState(0);
  const [mapping, setMapping] = useState<PriceMapping>({});
  const [policy, setPolicy] = useState<DuplicatePolicy>('update');
  const [read, setRead] = useState<ReadPrices | undefined>();
  const choose = (opening: Opened, at: number): void => {
    const first = opening.sheets[at]?.first ?? [];
    const head = findHeadRow(first);
    setSheet(at);
    setHeadRow(head);
    setMapping(guessMapping(first[head] ?? []));
  };
  /** The rows went with the worker: nothing is shown of them, and why is said. */
  const onEnded = useCallback((error: unknown): void => {
    if (!(error instanceof WorkerEnded)) throw error;
    setOpened(undefined);
    if (error.reason !== 'canceled') setError(describeProblem({ kind: 'reading-ended', why: error.reason }));
  }, []);
  const open = async (file: File | undefined): Promise<void> => {
    if (file === undefined) return;
    setError(undefined);
    setOpened(undefined);
    setProgress(t('prices.reading', { name: file.name }));
    let current = true;
    // What was said before it was stopped may still arrive.
    const say = (rows: number, share: number): void => {
      if (current)
        setProgress(t('prices.readingRows', { name: file.name, rows, number: Math.round(share * 100) }));
    };
    try {
      const got = await worker.ask(
        (remote) => remote.open(file, proxy(say)) as ReturnType<PriceWorker['open']>,
        BUDGETS_MS.prices,
      );
      if (!got.ok) return setError(describePriceFile(got.problem, file.name));
      const opening = { name: file.name, sheets: got.value };
      setOpened(opening);
      choose(opening, 0);
    } catch (error) {
      onEnded(error);
    } finally {
      current = false;
      setProgress(undefined);
    }
  };
  // Whatever is said of the columns, the rows are read anew beside the page.
  useEffect(() => {
    if (opened === undefined || mapping.code === undefined) return setRead(undefined);
    let current = true;
    const crafts = [...job.craft.values()];
    const crews = [...job.crew.values()];
    void worker
      .ask((remote) => remote.read({ sheet, headRow, mapping, numbers, crafts, crews }), BUDGETS_MS.prices)
      .then((result) => {
        if (current) setRead(result);
      }, onEnded);
    return () => {
      current = false;
    };
  }, [opened, sheet, headRow, mapping, numbers, job.craft, job.crew, worker, onEnded]);
  const plan = useMemo(
    () => (read === undefined ? undefined : planPrices(read, job, policy, services.makeId)),
    [read, job, policy, services],
  );
  const { getRootProps, getInputProps, isDragActive } = useDropzone({
    multiple: false,
    noKeyboard: true,
    onDrop: (files) => void open(files[0]),
  });
  const changed = plan === undefined ? 0 : plan.added.length + plan.updated.length;
  const take = (): void => {
    if (plan === undefined) return;
    if (changed > LIMITS.prices.items)
      return setError(t('prices.moreThanABookHolds', { changed, limit: LIMITS.prices.items }));
    const refused = settle(
      t('prices.importPricesFrom', { name: opened?.name ?? t('prices.aFile') }),
      put(...plan.added, ...plan.updated.map(([, to]) => to)),
    );
    if (refused !== undefined) return setError(refused);
    tell(
      t('prices.addedUpdatedUndoReversesAllOfIt', {
        items: t('count.item', { count: plan.added.length }),
        number: plan.updated.length,
      }),
    );
    onClose();
  };
  return (
    <Modal
      title={t('prices.importPrices')}
      size="xl"
      onClose={onClose}
      footer={
        <DialogButtons onCancel={onClose} disabled={changed === 0} onDone={take}>
          {changed === 0
            ? t('prices.import')
            : t('prices.import2', { items: t('count.item', { count: changed }) })}
        </DialogButtons>
      }
    >
      <div className={layout.form}>
        {opened === undefined ? (
          <div {...getRootProps({ className: `drop ${isDragActive ? 'over' : ''}` })}>
            <DropInput {...getInputProps({ 'aria-label': t('prices.priceList') })} target="prices" />
            {progress === undefined ? (
              <>
                <p>{t('prices.dropAPriceListHereCsvOr')}</p>
                <Button size="sm" variant="outline">
                  {t('prices.chooseAFile')}
                </Button>
              </>
            ) : (
              <p role="status">{progress}…</p>
            )}
          </div>
        ) : null}
        {progress === undefined ? null : (
          <Button size="xs" variant="outline" alignSelf="start" onClick={worker.end}>
            {t('prices.stopReading')}
          </Button>
        )}
        {error === undefined ? null : (
          <p className={layout.fieldError} role="alert">
            {error}
          </p>
        )}
        {opened === undefined ? null : (
          <>
            <div className={layout.barForm}>
              <b className="cut">{opened.name}</b>
              {opened.sheets.length > 1 ? (
                <Select
                  style={{ width: 'auto' }}
                  aria-label={t('prices.sheetOfTheWorkbook')}
                  value={sheet}
                  onChange={(event) => choose(opened, Number(event.target.value))}
                >
                  {opened.sheets.map(({ name }, at) => (
                    <option key={at} value={at}>
                      {name}
                    </option>
                  ))}
                </Select>
              ) : null}
              <label className="soft">
                {t('prices.headingsInRow')}{' '}
                <TextInput
                  align="end"
                  style={{ width: 56 }}
                  type="number"
                  min={1}
                  max={30}
                  value={headRow + 1}
                  onChange={(event) => {
                    const at = Math.max(0, Math.min(29, Number(event.target.value) - 1));
                    setHeadRow(at);
                    setMapping(guessMapping(opened.sheets[sheet]?.first[at] ?? []));
                  }}
                />
              </label>
              <TextButton onClick={() => setOpened(undefined)}>{t('prices.anotherFile')}</TextButton>
            </div>
            <Preview sheet={opened.sheets[sheet]} headRow={headRow} mapping={mapping} onMap={setMapping} />
            <label>
              <span className="soft">{t('prices.itemsWhoseCodeIsAlreadyInThe')}</span>{' '}
              <Select
                style={{ width: 'auto' }}
                value={policy}
                onChange={(event) => setPolicy(event.target.value as DuplicatePolicy)}
              >
                {DUPLICATE_POLICIES.map((each) => (
                  <option key={each} value={each}>
                    {POLICY_WORDS[each]}
                  </option>
                ))}
              </Select>
            </label>
            {mapping.code === undefined ? (
              <p className={layout.fieldError} role="alert">
                {t('prices.chooseTheColumnWithTheCodeIt')}
              </p>
            ) : null}
            {read === undefined || plan === undefined ? null : (
              <>
                <p role="status" style={{ margin: 0 }}>
                  {t('count.newItem', { count: plan.added.length })}, {plan.updated.length}{' '}
                  {t('prices.toUpdate')} {plan.kept} {t('prices.unchanged')}{' '}
                  <span className={read.refused.length > 0 ? 'warn' : ''}>
                    {t('prices.refused', { rows: t('count.row', { count: read.refused.length }) })}
                  </span>
                  .
                </p>
                <Refused rows={read.refused} />
                <EffectOnBid changes={plan.updated} added={plan.added} />
              </>
            )}
          </>
        )}
      </div>
    </Modal>
  );
}

/** One worker for the dialog; stopping ends it, and the next file gets a new one. */
function usePriceWorker(): GuardedWorker<PriceWorker> {
  const worker = useMemo(
    () =>
      createGuardedWorker<PriceWorker>(
        () => new Worker(new URL('../../workers/prices.worker.ts', import.meta.url), { type: 'module' }),
      ),
    [],
  );
  useEffect(() => worker.end, [worker]);
  return worker;
}

const ROWS_SHOWN = 6;

interface PreviewProps {
  readonly sheet: SheetHead | undefined;
  readonly headRow: number;
  readonly mapping: PriceMapping;
  readonly onMap: (mapping: PriceMapping) => void;
}

/** The first rows, with what each column is above it. */
function Preview({ sheet, headRow, mapping, onMap }: PreviewProps) {
  if (sheet === undefined) return null;
  const fieldAt = new Map(Object.entries(mapping).map(([field, at]) => [at, field as PriceField]));
  const heads = sheet.first[headRow] ?? [];
  const columns = Array.from({ length: sheet.columns }, (_, at) => at);
  const map = (at: number, field: string): void => {
    const next: Partial<Record<PriceField, number>> = Object.fromEntries(
      Object.entries(mapping).filter(([each, column]) => column !== at && each !== field),
    );
    if (field !== '') next[field as PriceField] = at;
    onMap(next);
  };
  return (
    <div
      className={styles.importPreview}
      tabIndex={0}
      role="region"
      aria-label={t('prices.firstRowsOfTheFile')}
    >
      <table className={layout.tape}>
        <thead>
          <tr>
            {columns.map((at) => (
              <th key={at}>
                <Select
                  aria-label={t('prices.column', { place: at + 1, value: heads[at] ?? '' })}
                  value={fieldAt.get(at) ?? ''}
                  onChange={(event) => map(at, event.target.value)}
                >
                  <option value="">{t('prices.notTaken')}</option>
                  {PRICE_COLUMNS.map(({ field, title }) => (
                    <option key={field} value={field}>
                      {title}
                    </option>
                  ))}
                </Select>
                <div className="soft cut">{heads[at] ?? ''}</div>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {sheet.first.slice(headRow + 1, headRow + 1 + ROWS_SHOWN).map((row, index) => (
            <tr key={index}>
              {columns.map((at) => (
                <td key={at} className={fieldAt.has(at) ? 'cut' : 'cut soft'}>
                  {row[at] ?? ''}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** Rows that were kept out, each with its number and why. */
function Refused({ rows }: { readonly rows: readonly RefusedRow[] }) {
  if (rows.length === 0) return null;
  return (
    <ul className={layout.importNotes} aria-label={t('prices.rowsThatWereRefused')}>
      {rows.slice(0, 200).map(({ row, fault }) => (
        <li key={row}>{t('prices.row', { row, fault: describeRowFault(fault) })}</li>
      ))}
      {rows.length > 200 ? <li>{t('prices.andMore', { number: rows.length - 200 })}</li> : null}
    </ul>
  );
}

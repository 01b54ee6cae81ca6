import { Redo2, Undo2 } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { useLocation } from 'react-router';
import { bidNode } from '@zest/core/calculate/graph/nodes';
import { settingsOf } from '@zest/core/job/job';
import { formatMoney } from '@zest/core/pricing/money';
import { listUnpriced } from '@zest/core/reports/unpriced';
import { knownValue } from '@zest/core/calculate/define';
import type { Id } from '@zest/core/job/id';
import type { Sheet } from '@zest/core/job/records/sheet';
import { checkError } from '@zest/core/takeoff/checkError';
import { writeError, writeScale } from '../stages/sheets/scaleWords.ts';
import { useFormats, useJobActions, useJobState, useOpenJob, useSetView } from '../stores/context.tsx';
import { useOfJob, useTables } from '../stores/jobHooks.ts';
import { tellRefused } from '../stores/tellRefused.ts';
import { useKeyOf } from '../actions/useActions.ts';
import { BesideChoice } from './Beside.tsx';
import { useStages } from '../stages/stage.ts';
import { BareButton, IconButton } from '../parts/buttons.tsx';
import { t } from '../messages/t.ts';
import { styles } from './styles.ts';
import { Kbd } from '../parts/Kbd.tsx';

/** One line: where you are, the finder, what can be undone, whether it is saved, and the bid. */
export function Head() {
  const { name, ofCompany } = useOfJob(({ job }) => settingsOf(job));
  const setView = useSetView();
  const findKey = useKeyOf('find', 'Ctrl+K');
  return (
    <header className={styles.head}>
      <span className={`${styles.headJob} cut`} title={name}>
        {name}
      </span>
      <Where />
      <BareButton className={styles.headFind} onClick={() => setView({ finderOpen: true })}>
        {t('frame.findAnything')} {findKey === '' ? null : <Kbd>{findKey.replace('+', ' ')}</Kbd>}
      </BareButton>
      {ofCompany === true ? null : <BesideChoice />}
      <UndoRedo />
      <SavedState />
      {ofCompany === true ? null : <Total />}
    </header>
  );
}

function Where() {
  const stages = useStages();
  const job = useTables('sheet', 'assembly');
  const [, , , stage = '', record = ''] = useLocation().pathname.split('/');
  const sheet = job.sheet.get(decodeURIComponent(record) as Id<'sheet'>);
  const assembly = job.assembly.get(decodeURIComponent(record) as Id<'assembly'>);
  const here = stages.find(({ pages }) => pages.some(({ path }) => path === stage));
  const page = here?.pages.find(({ path }) => path === stage);
  const name = (here?.path === stage ? here.name : page?.name) ?? '';
  const words = sheet === undefined ? (assembly?.name ?? name) : `${sheet.number} ${sheet.title}`;
  return (
    <>
      <span className={`${styles.headWhere} cut`}>{words}</span>
      {sheet === undefined ? null : <ScaleChip sheet={sheet} />}
    </>
  );
}

/** Whether the figures of this sheet can be trusted: its scale, and how a known dimension measured back. */
function ScaleChip({ sheet }: { readonly sheet: Sheet }) {
  const { numbers } = useFormats();
  const setView = useSetView();
  const error = checkError(sheet);
  const state = sheet.scale === null ? 'warn' : error === undefined ? 'open' : 'good';
  const words =
    error === undefined
      ? writeScale(sheet, numbers)
      : `${writeScale(sheet, numbers)}, ${writeError(error, numbers)}`;
  const next = sheet.scale === null ? 'scale' : 'check';
  return (
    <BareButton
      className={`${styles.scaleChip} cut`}
      title={next === 'scale' ? t('frame.setTheScale') : t('frame.checkTheScaleWithAKnownDimension')}
      onClick={() => setView({ tool: next })}
    >
      <i className={state} aria-hidden="true" />
      {words}
    </BareButton>
  );
}

function UndoRedo() {
  const actions = useJobActions();
  const { done, undone } = useOfJob(({ history }) => history);
  const [undo, redo] = [done.at(-1)?.label, undone.at(-1)?.label];
  return (
    <span style={{ display: 'flex', gap: 2, flex: 'none' }}>
      <IconButton
        disabled={undo === undefined}
        onClick={() => tellRefused(actions.undo())}
        title={undo === undefined ? t('frame.nothingToUndo') : t('frame.undo2', { undo })}
        aria-label={undo === undefined ? t('frame.undo') : t('frame.undo3', { undo })}
      >
        <Undo2 size={16} />
      </IconButton>
      <IconButton
        disabled={redo === undefined}
        onClick={() => tellRefused(actions.redo())}
        title={redo === undefined ? t('frame.nothingToRedo') : t('frame.redo2', { redo })}
        aria-label={redo === undefined ? t('frame.redo') : t('frame.redo3', { redo })}
      >
        <Redo2 size={16} />
      </IconButton>
    </span>
  );
}

const SAVED_WORDS = {
  saved: t('frame.saved'),
  saving: t('frame.saving'),
  failed: t('frame.notSaved'),
} as const;

function SavedState() {
  const { state } = useJobState(({ save }) => save);
  return (
    <span
      className={state === 'failed' ? 'wrong' : 'soft'}
      role="status"
      aria-live="polite"
      style={{ minWidth: 56, flex: 'none', fontSize: 13 }}
      data-saved={state}
    >
      {SAVED_WORDS[state]}
    </span>
  );
}

function Total() {
  const { figures } = useOpenJob();
  const revision = useJobState((state) => state.revision);
  const lastChange = useJobState((state) => state.lastChange);
  const actions = useJobActions();
  const { money } = useFormats();
  const shown = useRef<HTMLElement>(null);
  const total = knownValue(figures.figure(bidNode('total'))) ?? 0;
  const unpriced = listUnpriced(figures).length;
  const left =
    unpriced === 0 ? '' : t('frame.withoutAPrice', { lines: t('count.line', { count: unpriced }) });
  useEffect(() => {
    // The bench waits for this mark: the new total stands in the page.
    if (shown.current !== null) performance.mark('total-shown', { detail: revision });
  }, [revision]);
  const delta = lastChange?.deltaMinor ?? 0;
  return (
    <BareButton
      className={styles.headTotal}
      onClick={() => actions.select({ type: 'bid' })}
      aria-label={
        unpriced === 0
          ? t('frame.bidTotal', { money: formatMoney(total, money) })
          : t('frame.bidTotalWithout', { money: formatMoney(total, money), count: unpriced })
      }
    >
      <b ref={shown} data-total={total}>
        {formatMoney(total, money)}
      </b>
      <small>
        {delta === 0 ? null : <span>{`${delta > 0 ? '+' : ''}${formatMoney(delta, money)}`}</span>}
        {delta !== 0 && unpriced > 0 ? ' · ' : null}
        {unpriced > 0 ? <span className="warn">{left}</span> : null}
        {unpriced === 0 ? (delta === 0 ? t('frame.bid') : t('frame.lastChange')) : null}
      </small>
    </BareButton>
  );
}

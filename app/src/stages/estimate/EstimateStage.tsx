import * as z from 'zod';
import { type Dispatch, type SetStateAction, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Id } from '@zest/core/job/id';
import type { Selection } from '@zest/core/calculate/explain/throughLine';
import { type ComponentRow, type EstimateRow, isPriced } from '@zest/core/estimate/rows';
import { isMovable } from '@zest/core/estimate/moveRows';
import { countsInBid, listShownRows } from '@zest/core/reports/estimateReport';
import { plainToLocal } from '@zest/core/formula/localize';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import { FormulaInput } from '../../formulas/FormulaInput.tsx';
import { useChoice } from '../../stores/useChoice.ts';
import { useArrangement } from '../../tables/arrangement.ts';
import type { GridColumn } from '../../tables/gridProps.ts';
import { Grid } from '../../tables/Grid.tsx';
import { ItemChoice } from '../assemblies/ItemChoice.tsx';
import {
  useFormats,
  useJobActions,
  useJobState,
  useOpenJob,
  useSetView,
  useView,
} from '../../stores/context.tsx';
import type { OpenJob } from '../../stores/jobStore.ts';
import { CopyDialog } from './CopyDialog.tsx';
import { EstimateBar } from './EstimateBar.tsx';
import { type Folding, FoldingProvider, useFolding, withoutFolded } from './folding.tsx';
import { SelectionBar } from './SelectionBar.tsx';
import { SidePanel } from './SidePanel.tsx';
import { TemplateDialog } from './TemplateDialog.tsx';
import { USUAL_COLUMNS, createSource, makeColumn } from './columns.tsx';
import { pinnedOfRow } from './editRow.ts';
import { isBlank, useEstimate } from './useEstimate.ts';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { Panes } from '../../parts/Panes.tsx';
import type { LineKey } from '@zest/core/job/lineKey';
import type { Line } from '@zest/core/job/records/line';
import type { Cell } from '../../tables/cells.ts';
import { Empty } from '../../parts/Empty.tsx';

const columnsSchema = z.array(z.string().max(120)).min(1).max(80).readonly();

/** The priced lines by section, and what the bid makes of them. */
export function EstimateStage() {
  const open = useOpenJob();
  const selection = useJobState((state) => state.selection);
  const formats = useFormats();
  const [shown, choose] = useChoice('estimate-columns', USUAL_COLUMNS, columnsSchema);
  // A rule may say anew what applies: rows follow figures, not records alone.
  const all = useMemo(() => rowsAt(open), [open]);
  const folding = useFolding(open.jobId);
  const rows = useMemo(() => withoutFolded(all, folding.folded), [all, folding.folded]);
  // Figures live outside the rows: the open job is another one after every change.
  const columns = useMemo(() => columnsAt(open, formats, shown), [open, formats, shown]);
  const estimate = useEstimate();
  const lines = useMemo(() => all.filter(isPriced).length, [all]);
  // The table begins at its first row.
  const [block, setBlock] = useState<readonly EstimateRow[]>(() => rows.slice(0, 1));
  const setView = useSetView();
  // Another time on this page nothing was just added.
  useEffect(() => () => setView({ typing: undefined }), [setView]);
  const [asking, setAsking] = useState<'copy' | 'template' | undefined>();
  // What is not selected is current all the same: the first row of the block that is marked.
  const current = rowAt(rows, selection)?.key ?? block[0]?.key;
  const currentPlace = useCurrentPlace(rows, current);
  const copy = useCallback(() => setAsking('copy'), []);
  const template = useCallback(() => setAsking('template'), []);
  const foldAll = useFoldAll(all, folding.fold);
  const stage = useRef<HTMLDivElement>(null);
  const toLines = useCallback(() => stage.current?.querySelector<HTMLElement>('[role=grid]')?.focus(), []);
  return (
    <div ref={stage} className={layout.stage}>
      <EstimateBar
        lines={lines}
        currentPlace={currentPlace}
        shown={shown}
        onColumns={choose}
        onCopy={copy}
        onTemplate={template}
        onAdded={toLines}
        onFoldAll={foldAll}
      />
      <FoldingProvider value={folding}>
        <LinesAndPanel
          rows={rows}
          selection={selection}
          estimate={estimate}
          block={block}
          columns={columns}
          setBlock={setBlock}
          fold={folding.fold}
        />
      </FoldingProvider>
      {asking === 'copy' ? (
        <CopyDialog sectionId={sectionAt(rows, current)} onClose={() => setAsking(undefined)} />
      ) : null}
      {asking === 'template' ? <TemplateDialog onClose={() => setAsking(undefined)} /> : null}
    </div>
  );
}

/** Collapses or expands every section; the same function, or the bar would be drawn with every change. */
function useFoldAll(all: readonly EstimateRow[], fold: Folding['fold']): (isFolded: boolean) => void {
  const latest = useRef({ all, fold });
  useEffect(() => {
    latest.current = { all, fold };
  });
  return useCallback((isFolded) => {
    const sections = latest.current.all.filter(({ type }) => type === 'section').map(({ key }) => key);
    latest.current.fold(sections, isFolded);
  }, []);
}

interface LinesAndPanelProps {
  readonly fold: Folding['fold'];
  readonly rows: readonly EstimateRow[];
  readonly selection: Selection | undefined;
  readonly estimate: ReturnType<typeof useEstimate>;
  readonly block: readonly EstimateRow[];
  readonly columns: GridColumn<EstimateRow>[];
  readonly setBlock: Dispatch<SetStateAction<readonly EstimateRow[]>>;
}

function LinesAndPanel(props: LinesAndPanelProps) {
  const { rows, selection, estimate, block, columns, setBlock, fold } = props;
  return (
    <Panes
      name="estimate"
      usual="288px"
      side={<SidePanel row={rowAt(rows, selection)} estimate={estimate} />}
    >
      <div className={layout.stage}>
        <SelectionBar block={block} estimate={estimate} />
        {rows.length === 0 ? (
          <Empty title={t('estimate.noLinesYet')}>{t('estimate.assembliesOnMeasuredScopesAddLines')}</Empty>
        ) : (
          <LinesGrid
            columns={columns}
            rows={rows}
            estimate={estimate}
            setBlock={setBlock}
            selection={selection}
            fold={fold}
          />
        )}
      </div>
    </Panes>
  );
}

interface LinesGridProps {
  readonly fold: Folding['fold'];
  readonly columns: GridColumn<EstimateRow>[];
  readonly rows: readonly EstimateRow[];
  readonly estimate: ReturnType<typeof useEstimate>;
  readonly setBlock: Dispatch<SetStateAction<readonly EstimateRow[]>>;
  readonly selection: Selection | undefined;
}

function LinesGrid({ columns, rows, estimate, setBlock, selection, fold }: LinesGridProps) {
  const { figures } = useOpenJob();
  const actions = useJobActions();
  const arrangement = useArrangement('estimate');
  const typing = useView((state) => state.typing);
  return (
    <Grid
      label={t('estimate.estimate')}
      columns={columns}
      rows={rows}
      keyOf={({ key }) => key}
      arrangement={arrangement}
      classOf={(row) => `${row.type} ${countsInBid(figures, row) ? '' : 'left-out'}`}
      onEdit={estimate.edit}
      onPaste={estimate.paste}
      onRemove={estimate.removeRows}
      onMove={estimate.move}
      isMovable={isMovable}
      onFold={(row, isFolded) => {
        if (row.type === 'section') fold([row.key], isFolded);
        return row.type === 'section';
      }}
      onBlock={setBlock}
      onSelect={(row) => actions.select(selectionOf(row))}
      selectedKey={keyOfSelection(selection)}
      typing={typing}
      editorOf={(row, column, done, first) =>
        column === 'quantity' && row.type === 'line' ? (
          <QuantityEditor row={row} first={first} done={done} estimate={estimate} column={column} />
        ) : column === 'code' && (row.type === 'line' || row.type === 'component') ? (
          <ItemEditor row={row} first={first} done={done} estimate={estimate} />
        ) : null
      }
    />
  );
}

interface ItemEditorProps {
  readonly row:
    | ComponentRow
    | { readonly type: 'line'; readonly key: LineKey; readonly line: Line; readonly depth: number };
  readonly first: string | undefined;
  readonly done: (step?: Cell, taken?: string) => void;
  readonly estimate: ReturnType<typeof useEstimate>;
}

function ItemEditor({ row, first, done, estimate }: ItemEditorProps) {
  const { figures } = useOpenJob();
  return (
    <ItemChoice
      code={row.type === 'line' ? row.line.itemCode : row.component.itemCode}
      label={t('estimate.itemOfThePriceBook')}
      inCell={{ first, onLeave: () => done() }}
      // Someone adds a line and types what it is: where that is no item, it is its description.
      {...(row.type === 'line' && isBlank(row.line)
        ? {
            onUnknown: (text: string) =>
              estimate.tellRefused(estimate.edit([{ row, column: 'description', text }])),
          }
        : {})}
      onChoose={(itemCode) => {
        const item = figures.findItem(itemCode);
        const isNew = row.type === 'line' && isBlank(row.line);
        const refused = estimate.takeItem(row, itemCode, isNew ? item : undefined);
        done();
        return refused;
      }}
    />
  );
}

interface QuantityEditorProps {
  readonly row: { readonly type: 'line'; readonly key: LineKey; readonly line: Line; readonly depth: number };
  readonly first: string | undefined;
  readonly done: (step?: Cell, taken?: string) => void;
  readonly estimate: ReturnType<typeof useEstimate>;
  readonly column: string;
}

function QuantityEditor({ row, first, done, estimate, column }: QuantityEditorProps) {
  const { job } = useOpenJob();
  const { numbers } = useFormats();
  return (
    <FormulaInput
      label={t('estimate.quantity')}
      align="end"
      value={pinnedOfRow(job, row) ?? row.line.quantity}
      place={{ in: 'job' }}
      unit={unitOrLabel(row.line.unit).symbol}
      inCell={{ first, onLeave: done }}
      onCommit={(kept) => estimate.edit([{ row, column, text: plainToLocal(kept, numbers) }])}
    />
  );
}

/** Where a new line goes: asked for when something is added, so that the bar is not drawn at every step through the rows. */
function useCurrentPlace(rows: readonly EstimateRow[], current: string | undefined) {
  const latest = useRef({ rows, current });
  useEffect(() => {
    latest.current = { rows, current };
  });
  return useCallback(() => {
    const { rows: among, current: key } = latest.current;
    return { key, sectionId: sectionAt(among, key) };
  }, []);
}

const rowsAt = ({ figures }: OpenJob): readonly EstimateRow[] => listShownRows(figures);

function columnsAt({ figures }: OpenJob, formats: ReturnType<typeof useFormats>, shown: readonly string[]) {
  const source = createSource(figures, formats);
  return shown.flatMap((id) => makeColumn(id, source) ?? []);
}

function selectionOf(row: EstimateRow): Selection {
  switch (row.type) {
    case 'section':
      return { type: 'section', id: row.key };
    case 'scope':
      return { type: 'scope', id: row.scope.id };
    default:
      return { type: 'line', key: row.key };
  }
}

const keyOfSelection = (selection: Selection | undefined): string | undefined =>
  selection === undefined || selection.type === 'bid' || selection.type === 'mark'
    ? undefined
    : selection.type === 'line'
      ? selection.key
      : selection.id;

const rowAt = (rows: readonly EstimateRow[], selection: Selection | undefined): EstimateRow | undefined => {
  const key = keyOfSelection(selection);
  return key === undefined ? undefined : rows.find((row) => row.key === key);
};

/** The section a row stands in: where a new line belongs. The last one where there is no such row. */
function sectionAt(rows: readonly EstimateRow[], current: string | undefined): Id<'section'> | null {
  const index = rows.findIndex(({ key }) => key === current);
  const above = index < 0 ? rows : rows.slice(0, index + 1);
  const last = above.findLast((row) => row.type === 'section');
  return last?.type === 'section' ? (last.section?.id ?? null) : null;
}

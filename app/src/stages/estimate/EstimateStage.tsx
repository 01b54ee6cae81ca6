import { Button } from '@chakra-ui/react';
import * as z from 'zod';
import { useMemo, useState } from 'react';
import type { Id } from '@zest/core/job/id';
import type { Selection } from '@zest/core/calculate/throughLine';
import { type EstimateRow, isPriced } from '@zest/core/estimate/rows';
import { put } from '@zest/core/job/change';
import { settingsOf } from '@zest/core/job/job';
import type { Settings } from '@zest/core/job/records/settings';
import { isMovable, nestSection, unnestSection } from '@zest/core/job/commands/moveRows';
import { countsInBid, listShownRows } from '@zest/core/reports/estimateReport';
import { plainToLocal } from '@zest/core/formula/localize';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import { MoreMenu } from '../../components/MoreMenu.tsx';
import { FormulaInput } from '../../components/FormulaInput.tsx';
import { useChoice } from '../../components/useChoice.ts';
import { plural } from '../../messages/words.ts';
import { Grid } from '../../tables/Grid.tsx';
import { ItemChoice } from '../assemblies/ItemChoice.tsx';
import { useFormats, useJobActions, useJobState, useOpenJob } from '../../stores/context.tsx';
import type { OpenJob } from '../../stores/jobStore.ts';
import { ColumnChoiceButton } from './ColumnChoice.tsx';
import { CopyDialog } from './CopyDialog.tsx';
import { EstimateTabs } from './EstimateTabs.tsx';
import { SelectionBar } from './SelectionBar.tsx';
import { SidePanel } from './SidePanel.tsx';
import { TemplateDialog } from './TemplateDialog.tsx';
import { USUAL_COLUMNS, createSource, listColumns, makeColumn } from './columns.tsx';
import { pinnedOfRow } from './editRow.ts';
import { useEstimate } from './useEstimate.ts';

const columnsSchema = z.array(z.string().max(120)).min(1).max(80).readonly();

/** The priced lines by section, and what the bid makes of them. */
export function EstimateStage() {
  const open = useOpenJob();
  const { job, calculation } = open;
  const selection = useJobState((state) => state.selection);
  const actions = useJobActions();
  const formats = useFormats();
  const [shown, choose] = useChoice('estimate-columns', USUAL_COLUMNS, columnsSchema);
  // A rule may say anew what applies: rows follow figures, not records alone.
  const rows = useMemo(() => rowsAt(open), [open]);
  // Figures live outside the rows: the open job is another one after every change.
  const columns = useMemo(() => columnsAt(open, formats, shown), [open, formats, shown]);
  const estimate = useEstimate(rows);
  const [block, setBlock] = useState<readonly EstimateRow[]>([]);
  const [asking, setAsking] = useState<'copy' | 'template' | undefined>();
  const sectionId = sectionAt(rows, selection);
  const priced = rows.filter(isPriced).length;
  const settings = settingsOf(job);
  const spread = (): void => {
    const { linesBy, ...rest } = settings;
    const next: Settings = linesBy === 'code' ? rest : { ...rest, linesBy: 'code' };
    estimate.tellRefused(estimate.settle('where lines of assemblies stand', put(next)));
  };
  const nest = (how: typeof nestSection): void => {
    const section = sectionId === null ? undefined : job.section.get(sectionId);
    const moved = section === undefined ? undefined : how(job, section);
    if (moved === undefined)
      estimate.tellRefused('Select a section that has another one before or around it.');
    else estimate.tellRefused(estimate.settle(`move section ${moved.name}`, put(moved)));
  };
  return (
    <div className="stage">
      <div className="bar wraps">
        <EstimateTabs />
        <span className="soft">{plural(priced, 'line')}</span>
        <span className="grow" />
        <ColumnChoiceButton
          all={listColumns(calculation)}
          usual={USUAL_COLUMNS}
          shown={shown}
          onChoose={choose}
        />
        <Button size="sm" variant="outline" onClick={() => setAsking('copy')}>
          Copy from a job
        </Button>
        <MoreMenu
          label="More to add"
          entries={[
            ['Add words', () => estimate.addLine(sectionId, { is: 'text', description: 'Words' })],
            [
              'Add a subtotal',
              () => estimate.addLine(sectionId, { is: 'subtotal', description: 'Subtotal' }),
            ],
            ['Add a section inside', () => estimate.addSection(sectionId)],
            ['Take the section into the one before', () => nest(nestSection)],
            ['Take the section out again', () => nest(unnestSection)],
            [
              settings.linesBy === 'code'
                ? 'Lines under what was measured'
                : 'Lines in the sections of their codes',
              spread,
            ],
            ['Save the job as a template', () => setAsking('template')],
          ]}
        />
        <Button size="sm" variant="outline" onClick={() => estimate.addSection()}>
          Add a section
        </Button>
        <Button size="sm" onClick={() => estimate.addLine(sectionId)}>
          Add a line
        </Button>
      </div>
      <div className="split" style={{ gridTemplateColumns: 'minmax(0, 1fr) 288px' }}>
        <div className="stage">
          <SelectionBar block={block} estimate={estimate} />
          {rows.length === 0 ? (
            <div className="empty">
              <h2>No lines yet</h2>
              <p>
                Lines come by themselves from assemblies on measured scopes. Others are typed: add a line, or
                copy some from another job.
              </p>
            </div>
          ) : (
            <Grid
              label="Estimate"
              columns={columns}
              rows={rows}
              keyOf={({ key }) => key}
              classOf={(row) => `${row.type} ${countsInBid(calculation, row) ? '' : 'left-out'}`}
              onEdit={estimate.edit}
              onRemove={estimate.removeRows}
              onMove={estimate.move}
              isMovable={isMovable}
              onBlock={setBlock}
              onSelect={(row) => actions.select(selectionOf(row))}
              selectedKey={keyOfSelection(selection)}
              editorOf={(row, column, done, first) =>
                column === 'quantity' && row.type === 'line' ? (
                  <FormulaInput
                    label="Quantity"
                    className="right"
                    value={pinnedOfRow(job, row) ?? row.line.quantity}
                    place={{ in: 'job' }}
                    unit={unitOrLabel(row.line.unit).symbol}
                    inCell={{ first, onLeave: done }}
                    onCommit={(kept) =>
                      estimate.edit([{ row, column, text: plainToLocal(kept, formats.numbers) }])
                    }
                  />
                ) : column === 'code' && (row.type === 'line' || row.type === 'component') ? (
                  <ItemChoice
                    code={row.type === 'line' ? row.line.itemCode : row.component.itemCode}
                    label="Item of the price book"
                    inCell={{ first, onLeave: () => done() }}
                    onChoose={(itemCode) => {
                      const item = calculation.findItem(itemCode);
                      const isNew = row.type === 'line' && row.line.description === 'New line';
                      const refused = estimate.change('price a line', [row.key], {
                        itemCode,
                        ...(row.type === 'line' ? { costs: undefined } : {}),
                        ...(isNew && item !== undefined ? { description: item.description } : {}),
                      });
                      if (isNew && item !== undefined)
                        estimate.edit([{ row, column: 'unit', text: item.unit }]);
                      done();
                      return refused;
                    }}
                  />
                ) : null
              }
            />
          )}
        </div>
        <SidePanel row={rowAt(rows, selection)} estimate={estimate} />
      </div>
      {asking === 'copy' ? <CopyDialog sectionId={sectionId} onClose={() => setAsking(undefined)} /> : null}
      {asking === 'template' ? <TemplateDialog onClose={() => setAsking(undefined)} /> : null}
    </div>
  );
}

const rowsAt = ({ calculation }: OpenJob): readonly EstimateRow[] => listShownRows(calculation);

function columnsAt(
  { calculation }: OpenJob,
  formats: ReturnType<typeof useFormats>,
  shown: readonly string[],
) {
  const source = createSource(calculation, formats);
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

/** The section the selection stands in: where a new line belongs. */
function sectionAt(rows: readonly EstimateRow[], selection: Selection | undefined): Id<'section'> | null {
  const index = rows.findIndex(({ key }) => key === keyOfSelection(selection));
  const above = index < 0 ? rows : rows.slice(0, index + 1);
  const last = above.findLast((row) => row.type === 'section');
  return last?.type === 'section' ? (last.section?.id ?? null) : null;
}

import { Button } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { plainToLocal } from '@zest/core/formula/localize';
import { formatMoney } from '@zest/core/pricing/money';
import { put, remove } from '@zest/core/job/change';
import { removeSection } from '@zest/core/job/commands/removeWith';
import type { Id } from '@zest/core/job/id';
import { orderAfter } from '@zest/core/job/job';
import type { Line } from '@zest/core/job/records/line';
import { COST_KINDS, type CostKind } from '@zest/core/job/records/assembly';
import type { EstimateRow } from '@zest/core/estimate/rows';
import { type ReportLine, listShownRows, reportLine } from '@zest/core/reports/estimateReport';
import { writeQuantity } from '../../components/writeQuantity.ts';
import { formatNumber } from '@zest/core/units/numberFormat';
import type { Calculation } from '@zest/core/calculate/calculation';
import type { Selection } from '@zest/core/calculate/throughLine';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import { FormulaInput } from '../../components/FormulaInput.tsx';
import { FailureText } from '../../components/Figure.tsx';
import { tellProblem } from '../../components/toaster.tsx';
import { useSettle } from '../../components/useSettle.ts';
import { describeProblem } from '../../messages/describeProblem.ts';
import { plural } from '../../messages/words.ts';
import { Grid, type GridColumn, type GridEdit } from '../../tables/Grid.tsx';
import { ItemChoice } from '../assemblies/ItemChoice.tsx';
import {
  type Formats,
  useFormats,
  useJobActions,
  useJobState,
  useOpenJob,
  useServices,
} from '../../stores/context.tsx';
import { MakeAssemblyDialog } from './MakeAssemblyDialog.tsx';
import { Summary } from './Summary.tsx';
import { editLine } from './editLine.ts';

/** The priced lines by section, and what the bid makes of them. */
export function EstimateStage() {
  const { job, calculation } = useOpenJob();
  const revision = useJobState((state) => state.revision);
  const selection = useJobState((state) => state.selection);
  const actions = useJobActions();
  const services = useServices();
  const formats = useFormats();
  // A rule may say anew what applies: rows follow figures, not records alone.
  const rows = useMemo(() => rowsAt(calculation, revision), [calculation, revision]);
  // Figures live outside the rows: the revision says when to read them again.
  const columns = useMemo(
    () => columnsFor(formats, (row) => reportLine(calculation, row), revision),
    [formats, calculation, revision],
  );
  const settle = useSettle();
  const [block, setBlock] = useState<readonly EstimateRow[]>([]);
  const [making, setMaking] = useState<readonly Line[] | undefined>();
  const typed = block.flatMap((row) => (row.type === 'line' ? (job.line.get(row.line.id) ?? []) : []));
  const onEdit = (edits: readonly GridEdit<EstimateRow>[]): string | undefined => {
    const lines = new Map<string, Line>();
    for (const { row, column, text } of edits) {
      if (row.type === 'section' && row.section !== null)
        return settle(
          'rename a section',
          put({ ...row.section, [column === 'code' ? 'code' : 'name']: text.trim() }),
        );
      if (row.type !== 'line') continue;
      const edited = editLine(lines.get(row.line.id) ?? row.line, column, text, formats.numbers);
      if (edited === undefined) return describeProblem({ kind: 'number-not-read', text });
      lines.set(row.line.id, edited);
    }
    return settle(
      lines.size === 1 ? 'change a line' : `change ${plural(lines.size, 'line')}`,
      put(...lines.values()),
    );
  };
  const addLine = (): void => {
    const sectionId = sectionAt(rows, selection);
    const order = orderAfter([...job.line.values()].filter((line) => line.sectionId === sectionId));
    const line: Line = {
      type: 'line',
      id: services.makeId('line'),
      sectionId,
      order,
      description: 'New line',
      quantity: '1',
      unit: 'ea',
      itemCode: '',
      typedCost: null,
    };
    const refused = settle('add a line', put(line));
    if (refused !== undefined) tellProblem(refused);
    else actions.select({ type: 'line', key: line.id });
  };
  const addSection = (): void => {
    const id = services.makeId('section');
    const refused = settle(
      'add a section',
      put({
        type: 'section',
        id,
        code: '',
        name: 'New section',
        parentId: null,
        order: orderAfter(job.section.values()),
      }),
    );
    if (refused === undefined) actions.select({ type: 'section', id });
  };
  const onRemove = (chosen: readonly EstimateRow[]): void => {
    const lines = chosen.flatMap((row) => (row.type === 'line' ? [row.line.id] : []));
    const [only] = chosen;
    const refused =
      lines.length > 0
        ? settle(`delete ${plural(lines.length, 'line')}`, remove(...lines))
        : only?.type === 'section' && only.section !== null
          ? settle(`delete section ${only.section.name}`, removeSection(only.section.id))
          : 'Lines from an assembly go when it is taken off its scope, under Measure.';
    if (refused !== undefined) tellProblem(refused);
  };
  const priced = rows.filter((row) => row.type !== 'section' && row.type !== 'scope').length;
  return (
    <div className="stage">
      <div className="bar">
        <h1>Lines by section</h1>
        <span className="soft">then by what was measured · {plural(priced, 'line')}</span>
        <span className="grow" />
        <Button
          size="sm"
          variant="outline"
          disabled={typed.length === 0}
          title="Select typed lines; with Shift, several"
          onClick={() => setMaking(typed)}
        >
          Make an assembly
        </Button>
        <Button size="sm" variant="outline" onClick={addSection}>
          Add a section
        </Button>
        <Button size="sm" onClick={addLine}>
          Add a line
        </Button>
      </div>
      <div className="split" style={{ gridTemplateColumns: 'minmax(0, 1fr) 272px' }}>
        <div className="stage">
          {rows.length === 0 ? (
            <div className="empty">
              <h2>No lines yet</h2>
              <p>
                Lines come by themselves from assemblies on measured scopes. Others are typed: add a line.
              </p>
            </div>
          ) : (
            <Grid
              label="Estimate"
              columns={columns}
              rows={rows}
              keyOf={({ key }) => key}
              classOf={(row) => row.type}
              onEdit={onEdit}
              onRemove={onRemove}
              onBlock={setBlock}
              onSelect={(row) => actions.select(selectionOf(row))}
              selectedKey={keyOfSelection(selection)}
              editorOf={(row, column, done, first) =>
                column === 'quantity' && row.type === 'line' ? (
                  <FormulaInput
                    label="Quantity"
                    className="right"
                    value={row.line.quantity}
                    place={{ in: 'job' }}
                    unit={unitOrLabel(row.line.unit).symbol}
                    inCell={{ first, onLeave: done }}
                    onCommit={(quantity) => settle('change a line', put({ ...row.line, quantity }))}
                  />
                ) : column === 'code' && row.type === 'line' ? (
                  <ItemChoice
                    code={row.line.itemCode}
                    label="Item of the price book"
                    onChoose={(itemCode) => {
                      const item = calculation.findItem(itemCode);
                      const changes =
                        item === undefined
                          ? {}
                          : {
                              typedCost: null,
                              ...(row.line.description === 'New line'
                                ? { description: item.description, unit: item.unit }
                                : {}),
                            };
                      const refused = settle('price a line', put({ ...row.line, itemCode, ...changes }));
                      done();
                      return refused;
                    }}
                  />
                ) : null
              }
            />
          )}
        </div>
        <Summary />
      </div>
      {making === undefined ? null : (
        <MakeAssemblyDialog lines={making} onClose={() => setMaking(undefined)} />
      )}
    </div>
  );
}

const rowsAt = (calculation: Calculation, _revision: number): readonly EstimateRow[] =>
  listShownRows(calculation);

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

/** The section the selection stands in: where a new line belongs. */
function sectionAt(rows: readonly EstimateRow[], selection: Selection | undefined): Id<'section'> | null {
  const index = rows.findIndex(({ key }) => key === keyOfSelection(selection));
  const above = index < 0 ? rows : rows.slice(0, index + 1);
  const last = above.findLast((row) => row.type === 'section');
  return last?.type === 'section' ? (last.section?.id ?? null) : null;
}

type Column = GridColumn<EstimateRow>;
type Read = (row: EstimateRow) => ReportLine;

function columnsFor(formats: Formats, read: Read, _revision: number): readonly Column[] {
  const { money, numbers } = formats;
  const isTyped = (row: EstimateRow): boolean => row.type === 'line';
  const amount = (kind: CostKind, title: string): Column => ({
    id: kind,
    title,
    width: { material: '92px', labor: '87px', equipment: '80px', subcontract: '80px', other: '80px' }[kind],
    align: 'right',
    editable: isTyped,
    text: (row) => {
      const typed = row.type === 'line' ? row.line.typedCost : null;
      if (typed?.kind === kind) return plainToLocal(typed.amount, numbers);
      const minor = read(row).amounts[kind];
      return minor === undefined ? '' : formatMoney(minor, money);
    },
    show: (row) => {
      const minor = read(row).amounts[kind];
      return minor === undefined || minor === 0 ? '' : formatMoney(minor, money);
    },
  });
  return [
    {
      id: 'code',
      title: 'Item',
      width: '82px',
      editable: (row) => row.type === 'line' || row.type === 'section',
      text: (row) => read(row).code,
      show: (row) => <span className={row.type === 'section' ? '' : 'soft'}>{read(row).code}</span>,
    },
    {
      id: 'description',
      title: 'Description',
      width: 'minmax(190px, 1fr)',
      editable: (row) => row.type === 'line' || row.type === 'section',
      text: (row) => describeRow(read(row)),
      show: (row) => (
        <span
          className="cut"
          style={{ paddingLeft: row.type === 'section' ? row.depth * 12 : (row.depth - 1) * 14 }}
          title={describeRow(read(row))}
        >
          {describeRow(read(row))}
        </span>
      ),
    },
    quantityColumn(formats, read),
    {
      id: 'unit',
      title: 'Unit',
      width: '44px',
      editable: isTyped,
      text: (row) => read(row).unit,
      show: (row) => <span className="unit">{read(row).unit}</span>,
    },
    amount('material', COST_TITLES.material),
    {
      id: 'hours',
      title: 'Hours',
      width: '54px',
      align: 'right',
      text: (row) => writeHours(read(row), formats),
      show: (row) => writeHours(read(row), formats),
    },
    ...COST_KINDS.filter((kind) => kind !== 'material' && kind !== 'other').map((kind) =>
      amount(kind, COST_TITLES[kind]),
    ),
    {
      id: 'extension',
      title: 'Extension',
      width: '96px',
      align: 'right',
      text: (row) => writeExtension(read(row), formats),
      show: (row) => {
        const { failure } = read(row);
        return failure === undefined ? (
          <b style={{ fontWeight: 600 }}>{writeExtension(read(row), formats)}</b>
        ) : (
          <FailureText failure={failure} />
        );
      },
    },
  ];
}

const COST_TITLES: Readonly<Record<CostKind, string>> = {
  material: 'Material',
  labor: 'Labor',
  equipment: 'Equipment',
  subcontract: 'Subcontr.',
  other: 'Other',
};

/** What a row is called; a rounded purchase says what it adds to. */
const describeRow = ({ row, description }: ReportLine): string =>
  row.type === 'purchase' ? `${description}, rounded up for the whole job` : description || 'No section';

const writeHours = (line: ReportLine, { numbers }: Formats): string =>
  line.amounts.hours === undefined || line.amounts.hours === 0
    ? ''
    : formatNumber(line.amounts.hours, 1, numbers);

const writeExtension = (line: ReportLine, { money }: Formats): string =>
  line.extension === undefined ? '' : formatMoney(line.extension, money);

/** What a flowing quantity flows from. */
function sourceOf(row: Exclude<EstimateRow, { type: 'section' | 'scope' }>): string {
  if (row.type === 'line') return row.line.quantity;
  if (row.type === 'component') return row.component.formula;
  const { roundUpTo, unit } = row.purchase;
  return `what the whole job needs, rounded up to ${roundUpTo} ${unit}`;
}

function quantityColumn({ numbers }: Formats, read: Read): Column {
  const isBare = (row: EstimateRow): boolean => row.type === 'line' && /^[\d.,\s]+$/.test(row.line.quantity);
  return {
    id: 'quantity',
    title: 'Quantity',
    width: '90px',
    align: 'right',
    editable: (row) => row.type === 'line',
    // Editing begins with the formula, not with what it came to.
    text: (row) =>
      row.type === 'line' ? plainToLocal(row.line.quantity, numbers) : (read(row).quantity ?? '').toString(),
    show: (row) => {
      const line = read(row);
      if (row.type === 'section' || row.type === 'scope') return '';
      if (line.quantity === undefined)
        return line.failure === undefined ? '' : <FailureText failure={line.failure} />;
      const source = sourceOf(row);
      return (
        <>
          {isBare(row) ? null : (
            <span className="flow" title={`Flows from ${plainToLocal(source, numbers)}`}>
              ◆
            </span>
          )}
          {writeQuantity(line.quantity, line.unit, numbers)}
        </>
      );
    },
  };
}

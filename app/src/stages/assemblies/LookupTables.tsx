import { describeProblem } from '../../messages/describeProblem.ts';
import { bytesTakenBy } from '@zest/core/formats/formats';
import { Button } from '@chakra-ui/react';
import { FileDown, FileUp, Trash2 } from 'lucide-react';
import { type RefObject, useRef, useState } from 'react';
import { readCell } from '@zest/core/assemblies/lookupTable';
import { readTableCsv } from '@zest/core/formats/table/read';
import { put, update } from '@zest/core/job/change';
import { removeNamed, renameColumn, renameKey } from '@zest/core/job/commands/names';
import { inOrder, orderAfter } from '@zest/core/job/job';
import type { TableColumn, TableRecord } from '@zest/core/job/records/lookupTable';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { tell, tellProblem } from '../../parts/toaster.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { Grid } from '../../tables/Grid.tsx';
import type { GridColumn, GridEdit } from '../../tables/gridProps.ts';
import { type Pasted, describePasted } from '../../tables/paste.ts';
import { useOpenJob, useServices } from '../../stores/context.tsx';
import { keyFor } from '@zest/core/job/keyFor';
import { takenKeys } from '../measure/newScope.ts';
import { FileInput } from '../../parts/FileInput.tsx';
import { IconButton, TextButton } from '../../parts/buttons.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';

/** Tables of sizes and the like: typed, pasted or read from CSV, and looked up in by formulas. */
export function LookupTables() {
  const { job } = useOpenJob();
  const { makeId } = useServices();
  const settle = useSettle();
  const file = useRef<HTMLInputElement>(null);
  const [notes, setNotes] = useState<readonly string[]>([]);
  const tables = inOrder(job.table.values());
  const add = (content: Pick<TableRecord, 'name' | 'columns' | 'rows'>): void => {
    const table: TableRecord = {
      type: 'table',
      id: makeId('table'),
      key: keyFor(content.name, takenKeys(job)),
      order: orderAfter(tables),
      ...content,
    };
    const refused = settle(t('assemblies.addTheTable', { name: content.name }), put(table));
    if (refused !== undefined) tellProblem(refused);
  };
  const read = async (chosen: File): Promise<void> => {
    const limit = bytesTakenBy('table');
    if (chosen.size > limit)
      return tellProblem(describeProblem({ kind: 'file-too-large', bytes: chosen.size, limit }));
    const { default: Papa } = await import('papaparse');
    const parsed = Papa.parse<string[]>(await chosen.text(), { skipEmptyLines: 'greedy' });
    const name = chosen.name.replace(/\.[^.]*$/, '').slice(0, 80) || t('assemblies.table');
    const table = readTableCsv(parsed.data);
    if (!table.ok) {
      setNotes([describeTable(chosen.name, table.problem)]);
      return;
    }
    setNotes(table.value.notes.map((note) => describeNote(note)));
    add({ name, columns: table.value.columns, rows: table.value.rows });
  };
  return (
    <>
      {tables.length === 0 ? (
        <p className="soft">
          {t('assemblies.aTableHoldsSizesToChooseFrom')}{' '}
          <code>{t('assemblies.lookupFootingsBarsWidth18In')}</code>.
        </p>
      ) : null}
      {tables.map((table) => (
        <TableBox key={table.id} table={table} />
      ))}
      {notes.length === 0 ? null : (
        <ul className={layout.importNotes} role="status">
          {notes.map((note, index) => (
            <li key={index}>{note}</li>
          ))}
        </ul>
      )}
      <AddTable add={add} tables={tables} file={file} read={read} />
    </>
  );
}

interface AddTableProps {
  readonly add: (content: Pick<TableRecord, 'name' | 'columns' | 'rows'>) => void;
  readonly tables: readonly TableRecord[];
  readonly file: RefObject<HTMLInputElement | null>;
  readonly read: (chosen: File) => Promise<void>;
}

function AddTable({ add, tables, file, read }: AddTableProps) {
  return (
    <div style={{ display: 'flex', gap: 8, marginTop: 8 }}>
      <Button
        size="xs"
        variant="outline"
        onClick={() =>
          add({
            name: t('assemblies.table2', { place: tables.length + 1 }),
            columns: [
              { key: 'size', name: t('assemblies.size'), unit: '' },
              { key: 'value', name: t('assemblies.value'), unit: '' },
            ],
            rows: [['1', '1']],
          })
        }
      >
        {t('assemblies.addATable')}
      </Button>
      <Button size="xs" variant="outline" onClick={() => file.current?.click()}>
        <FileUp size={14} /> {t('assemblies.readCsv')}
      </Button>
      <FileInput
        ref={file}
        target="table"
        label={t('assemblies.cSVToReadATableFrom')}
        onFile={(chosen) => void read(chosen)}
      />
    </div>
  );
}

type TableProblem = Extract<ReturnType<typeof readTableCsv>, { ok: false }>['problem'];
type Note = Extract<ReturnType<typeof readTableCsv>, { ok: true }>['value']['notes'][number];

function describeTable(name: string, problem: TableProblem): string {
  switch (problem.kind) {
    case 'table-empty':
      return t('assemblies.hasNoRowsTheFirstRowShould', { name });
    case 'table-too-large':
      return t('assemblies.hasTheLimitIsSplitIt', {
        name,
        number: problem.count,
        of: problem.of,
        limit: problem.limit,
      });
  }
}

const describeNote = ({ row, column, text }: Note): string =>
  t('assemblies.rowIsntANumberSoItIs', { row, column, text: text.slice(0, 40) });

function TableBox({ table }: { readonly table: TableRecord }) {
  const { job } = useOpenJob();
  const settle = useSettle();
  const set = (label: string, changed: Partial<TableRecord>): string | undefined =>
    settle(
      label,
      update(table, (now) => ({ ...now, ...changed })),
    );
  const rename = (text: string): string | undefined => {
    const others = new Set([...takenKeys(job)].filter((key) => key !== table.key));
    return settle(t('assemblies.rename', { name: table.name }), renameKey(table.id, keyFor(text, others)));
  };
  const addColumn = (): void => {
    const key = keyFor(
      t('assemblies.column', { place: table.columns.length + 1 }),
      new Set(table.columns.map((each) => each.key)),
    );
    set(t('assemblies.addAColumn'), {
      columns: [
        ...table.columns,
        { key, name: t('assemblies.column2', { place: table.columns.length + 1 }), unit: '' },
      ],
    });
  };
  return (
    <div className={`${layout.box} ${styles.tableBox}`}>
      <TableHead table={table} set={set} rename={rename} />
      <Columns table={table} set={set} />
      <Rows table={table} set={set} />
      <div style={{ display: 'flex', gap: 8 }}>
        <TextButton
          onClick={() => set(t('assemblies.addARow'), { rows: [...table.rows, table.columns.map(() => '')] })}
        >
          {t('assemblies.row')}
        </TextButton>
        <TextButton onClick={addColumn}>{t('assemblies.column3')}</TextButton>
      </div>
    </div>
  );
}

interface TableHeadProps {
  readonly table: TableRecord;
  readonly set: (label: string, changed: Partial<TableRecord>) => string | undefined;
  readonly rename: (text: string) => string | undefined;
}

function TableHead({ table, set, rename }: TableHeadProps) {
  const { download } = useServices();
  const settle = useSettle();
  return (
    <div className={styles.tableHead}>
      <CommitInput
        label={t('assemblies.nameOfTheTable')}
        value={table.name}
        onCommit={(name) => set('rename a table', { name })}
      />
      <CommitInput
        label={t('assemblies.nameOfInFormulas', { name: table.name })}
        value={table.key}
        onCommit={rename}
      />
      <span className="soft">{t('count.row', { count: table.rows.length })}</span>
      <span className="grow" />
      <Button
        size="xs"
        variant="ghost"
        onClick={() => void csvOf(table).then((blob) => download(`${table.key}.csv`, blob))}
      >
        <FileDown size={14} /> {t('assemblies.cSV')}
      </Button>
      <IconButton
        aria-label={t('assemblies.remove3', { name: table.name })}
        onClick={() => {
          const refused = settle(t('assemblies.remove', { name: table.name }), removeNamed(table.id));
          if (refused !== undefined) tellProblem(refused);
        }}
      >
        <Trash2 size={14} />
      </IconButton>
    </div>
  );
}

interface TablePartProps {
  readonly table: TableRecord;
  readonly set: (label: string, changed: Partial<TableRecord>) => string | undefined;
}

function Columns({ table, set }: TablePartProps) {
  const settle = useSettle();
  const change = (index: number, changed: Partial<TableColumn>): string | undefined =>
    set('change a column', {
      columns: table.columns.map((each, at) => (at === index ? { ...each, ...changed } : each)),
    });
  return (
    <div className={styles.tableColumns}>
      {table.columns.map((column, index) => (
        <div key={index}>
          <CommitInput
            label={t('assemblies.column2', { place: index + 1 })}
            value={column.name}
            onCommit={(name) => change(index, { name })}
          />
          <div className={styles.detailsRow}>
            <CommitInput
              label={t('assemblies.nameOfInFormulas', { name: column.name })}
              value={column.key}
              onCommit={(text) =>
                settle(
                  t('assemblies.renameAColumn'),
                  renameColumn(
                    table.id,
                    column.key,
                    keyFor(
                      text,
                      new Set(table.columns.filter((_, at) => at !== index).map(({ key }) => key)),
                    ),
                  ),
                )
              }
            />
            <CommitInput
              label={t('assemblies.unitOf', { name: column.name })}
              placeholder={t('assemblies.unit2')}
              value={column.unit}
              onCommit={(unit) => change(index, { unit: unit.trim() })}
            />
          </div>
        </div>
      ))}
    </div>
  );
}

interface TableRow {
  readonly index: number;
  readonly cells: readonly string[];
}

function Rows({ table, set }: TablePartProps) {
  const rows = table.rows.map((cells, index): TableRow => ({ index, cells }));
  const columns = table.columns.map((column, at): GridColumn<TableRow> => ({
    id: String(at),
    title: [column.name, column.unit].filter(Boolean).join(', '),
    width: 'minmax(110px, 1fr)',
    align: 'right',
    editable: () => true,
    text: ({ cells }) => cells[at] ?? '',
    show: ({ cells }) => {
      const text = cells[at] ?? '';
      const isWord = text !== '' && readCell(text, column) === undefined;
      return <span className={isWord ? 'soft' : ''}>{text}</span>;
    },
  }));
  const { onEdit, onPaste } = rowEdits(table, set);
  return (
    <div className={styles.tableRows} style={{ height: Math.min(9, rows.length + 1.4) * 27 + 8 }}>
      <Grid
        label={t('assemblies.rowsOf', { name: table.name })}
        columns={columns}
        rows={rows}
        keyOf={({ index }) => String(index)}
        onEdit={onEdit}
        onPaste={onPaste}
        onRemove={(chosen) => {
          const gone = new Set(chosen.map(({ index }) => index));
          set(t('assemblies.removeRows', { count: gone.size }), {
            rows: table.rows.filter((_, at) => !gone.has(at)),
          });
        }}
      />
    </div>
  );
}

async function csvOf(table: TableRecord): Promise<Blob> {
  const { csvBlob, csvText } = await import('../../platform/csvText.ts');
  const header = table.columns.map(({ name, unit }) => (unit === '' ? name : `${name} (${unit})`));
  return csvBlob(csvText([header, ...table.rows]));
}

/** What is typed and pasted into the rows of a table. */
function rowEdits(table: TableRecord, set: TablePartProps['set']) {
  const onEdit = (edits: readonly GridEdit<TableRow>[]): string | undefined => {
    const changed = table.rows.map((cells) => table.columns.map((_, at) => cells[at] ?? ''));
    for (const { row, column, text } of edits) {
      const cells = changed[row.index];
      if (cells !== undefined) cells[Number(column)] = text.trim();
    }
    return set(t('assemblies.changeTable'), { rows: changed });
  };
  const onPaste = (pasted: Pasted, from: TableRow | undefined): string | undefined => {
    const start = from?.index ?? table.rows.length;
    const length = Math.max(table.rows.length, start + pasted.rows.length);
    const changed = Array.from({ length }, (_, at) =>
      table.columns.map((__, column) => table.rows[at]?.[column] ?? ''),
    );
    pasted.rows.forEach((cells, down) =>
      cells.forEach((text, along) => {
        const column = pasted.columns[along];
        const into = changed[start + down];
        if (column !== undefined && into !== undefined) into[Number(column)] = text.trim();
      }),
    );
    const refused = set(t('assemblies.pasteRows', { count: pasted.rows.length }), { rows: changed });
    const added = length - table.rows.length;
    const said = describePasted({
      changed: pasted.rows.length - added,
      added,
      things: 'row',
      unknown: pasted.unknown,
      skipped: 0,
    });
    if (refused === undefined && said !== undefined) tell(said);
    return refused;
  };
  return { onEdit, onPaste };
}

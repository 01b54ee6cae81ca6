import { Button } from '@chakra-ui/react';
import { Plus, TableCellsMerge, TableColumnsSplit, X } from 'lucide-react';
import { type Dispatch, type SetStateAction, useState } from 'react';
import { type Command, put, remove } from '@zest/core/job/change';
import type { Schedule } from '@zest/core/job/records/schedule';
import { mergeColumns, splitColumn } from '@zest/core/takeoff/editSchedule';
import { Modal } from '../../parts/Modal.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import { useJobActions, useOpenJob } from '../../stores/context.tsx';
import { IconButton } from '../../parts/buttons.tsx';
import { TextInput } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { MakeScopes } from './MakeScopes.tsx';
import { styles } from './styles.ts';
import { Refusal } from '../../parts/Refusal.tsx';

interface ScheduleDialogProps {
  readonly schedule: Schedule;
  readonly onClose: () => void;
}

/** A schedule as a table to correct, and the scopes its rows ask for. */
export function ScheduleDialog({ schedule, onClose }: ScheduleDialogProps) {
  const { job } = useOpenJob();
  const actions = useJobActions();
  const [draft, setDraft] = useState(schedule);
  const [refusal, setRefusal] = useState<string | undefined>();
  const known = job.schedule.has(schedule.id);
  const settle = (label: string, command: Command): boolean => {
    const done = actions.transact(label, command);
    setRefusal(done.ok ? undefined : describeProblem(done.problem));
    return done.ok;
  };
  const width = draft.columns.length;
  const setCell = (row: number, column: number, text: string): void =>
    setDraft({
      ...draft,
      rows: draft.rows.map((cells, i) =>
        i === row
          ? Array.from({ length: width }, (_, at) => (at === column ? text : (cells[at] ?? '')))
          : cells,
      ),
    });
  return (
    <Modal
      title={known ? t('measure.schedule', { title: draft.title }) : t('measure.readASchedule')}
      onClose={onClose}
      size="xl"
      footer={
        <ScheduleButtons known={known} settle={settle} draft={draft} schedule={schedule} onClose={onClose} />
      }
    >
      <div className={layout.form}>
        <label>
          {t('measure.title')}{' '}
          <TextInput
            value={draft.title}
            onChange={(event) => setDraft({ ...draft, title: event.target.value })}
          />
        </label>
        {draft.columns.length === 0 ? <p className="soft">{t('measure.thereIsNoTextInTheBox')}</p> : null}
        <div className={styles.schedule}>
          <ScheduleTable draft={draft} setDraft={setDraft} setCell={setCell} />
        </div>
        <AddRowAndColumn setDraft={setDraft} draft={draft} width={width} />
        {draft.rows.length > 0 && width > 0 ? (
          <MakeScopes draft={draft} settle={settle} onMade={onClose} />
        ) : null}
        <Refusal>{refusal}</Refusal>
      </div>
    </Modal>
  );
}

interface AddRowAndColumnProps {
  readonly setDraft: Dispatch<SetStateAction<Schedule>>;
  readonly draft: Schedule;
  readonly width: number;
}

function AddRowAndColumn({ setDraft, draft, width }: AddRowAndColumnProps) {
  return (
    <div className={styles.rowOfButtons}>
      <Button
        size="xs"
        variant="outline"
        onClick={() => setDraft({ ...draft, rows: [...draft.rows, Array<string>(width).fill('')] })}
      >
        <Plus size={13} /> {t('measure.row2')}
      </Button>
      <Button
        size="xs"
        variant="outline"
        onClick={() =>
          setDraft({ ...draft, columns: [...draft.columns, t('measure.column', { place: width + 1 })] })
        }
      >
        <Plus size={13} /> {t('measure.column2')}
      </Button>
    </div>
  );
}

interface ScheduleTableProps {
  readonly draft: Schedule;
  readonly setDraft: Dispatch<SetStateAction<Schedule>>;
  readonly setCell: (row: number, column: number, text: string) => void;
}

function ScheduleTable({ draft, setDraft, setCell }: ScheduleTableProps) {
  return (
    <table>
      <thead>
        <tr>
          {draft.columns.map((name, column) => (
            <th key={column}>
              <ColumnTools name={name} column={column} draft={draft} setDraft={setDraft} />
              <TextInput
                aria-label={t('measure.headingOfColumn', { place: column + 1 })}
                value={name}
                onChange={(event) =>
                  setDraft({
                    ...draft,
                    columns: draft.columns.map((each, at) => (at === column ? event.target.value : each)),
                  })
                }
              />
            </th>
          ))}
          <th aria-label={t('measure.remove3')} />
        </tr>
      </thead>
      <tbody>
        {draft.rows.map((cells, row) => (
          <tr key={row}>
            {draft.columns.map((name, column) => (
              <td key={column}>
                <TextInput
                  aria-label={t('measure.row', { name, place: row + 1 })}
                  value={cells[column] ?? ''}
                  onChange={(event) => setCell(row, column, event.target.value)}
                />
              </td>
            ))}
            <td>
              <IconButton
                aria-label={t('measure.removeRow', { place: row + 1 })}
                onClick={() => setDraft({ ...draft, rows: draft.rows.filter((_, at) => at !== row) })}
              >
                <X size={13} />
              </IconButton>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

interface ColumnToolsProps {
  readonly name: string;
  readonly column: number;
  readonly draft: Schedule;
  readonly setDraft: Dispatch<SetStateAction<Schedule>>;
}

/** Where the printed table was read with one column for two, or two for one. */
function ColumnTools({ name, column, draft, setDraft }: ColumnToolsProps) {
  return (
    <div className={styles.columnTools}>
      <IconButton
        aria-label={t('measure.splitColumn', { name })}
        title={t('measure.splitColumn', { name })}
        onClick={() => setDraft(splitColumn(draft, column))}
      >
        <TableColumnsSplit size={13} />
      </IconButton>
      {column + 1 < draft.columns.length ? (
        <IconButton
          aria-label={t('measure.mergeColumn', { name })}
          title={t('measure.mergeColumn', { name })}
          onClick={() => setDraft(mergeColumns(draft, column))}
        >
          <TableCellsMerge size={13} />
        </IconButton>
      ) : null}
    </div>
  );
}

interface ScheduleButtonsProps {
  readonly known: boolean;
  readonly settle: (label: string, command: Command) => boolean;
  readonly draft: Schedule;
  readonly schedule: Schedule;
  readonly onClose: () => void;
}

function ScheduleButtons({ known, settle, draft, schedule, onClose }: ScheduleButtonsProps) {
  return (
    <>
      {known ? (
        <Button
          size="sm"
          variant="outline"
          onClick={() =>
            settle(t('measure.remove2', { title: draft.title }), remove(schedule.id)) && onClose()
          }
        >
          {t('measure.removeTheSchedule')}
        </Button>
      ) : null}
      <Button
        size="sm"
        onClick={() => settle(t('measure.schedule2', { title: draft.title }), put(draft)) && onClose()}
      >
        {t('measure.keepTheSchedule')}
      </Button>
    </>
  );
}

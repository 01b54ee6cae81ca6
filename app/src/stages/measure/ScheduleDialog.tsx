import { type Job, orderAfter } from '@zest/core/job/job';
import type { Services } from '../../platform/services.ts';
import { Button } from '@chakra-ui/react';
import { Plus, TableCellsMerge, TableColumnsSplit, X } from 'lucide-react';
import { type Dispatch, type SetStateAction, useState } from 'react';
import { type Command, put, remove } from '@zest/core/job/change';
import type { Schedule } from '@zest/core/job/records/schedule';
import { COLOR_COUNT, type Scope } from '@zest/core/job/records/scope';
import { MARK_KINDS, type MarkKind } from '@zest/core/job/markKinds';
import { mergeColumns, splitColumn } from '@zest/core/takeoff/editSchedule';
import { type RowScope, scopesOfRows } from '@zest/core/takeoff/scheduleScopes';
import { Modal } from '../../parts/Modal.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import { KIND_WORDS } from '../../messages/words.ts';
import { useFormats, useJobActions, useOpenJob, useServices } from '../../stores/context.tsx';
import { keyFor } from '@zest/core/job/keyFor';
import { takenKeys } from './newScope.ts';
import { IconButton } from '../../parts/buttons.tsx';
import { Select, TextInput } from '../../parts/fields.tsx';
import { listWith } from '../../messages/lists.ts';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
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

interface MakeScopesProps {
  readonly draft: Schedule;
  readonly settle: (label: string, command: Command) => boolean;
  readonly onMade: () => void;
}

/** One scope a row, with the row's lengths as its properties, in one step. */
function MakeScopes({ draft, settle, onMade }: MakeScopesProps) {
  const { job } = useOpenJob();
  const { numbers, display } = useFormats();
  const { makeId } = useServices();
  const [chosen, setKind] = useState<MarkKind | undefined>();
  const [nameColumn, setNameColumn] = useState(0);
  const names = new Set([...job.scope.values()].map(({ name }) => name));
  const wanted = scopesOfRows(draft, nameColumn, numbers, display.system).filter(
    ({ name }) => !names.has(name),
  );
  // Rows that say how many there are are things to count.
  const kind = chosen ?? (wanted.some(({ expected }) => expected !== undefined) ? 'count' : 'run');
  const make = (): void => {
    const scopes = scopesFrom(job, wanted, kind, makeId);
    if (
      settle(
        t('measure.from', { scopes: t('count.scope', { count: scopes.length }), title: draft.title }),
        put(draft, ...scopes),
      )
    )
      onMade();
  };
  const [first] = wanted;
  return (
    <div className={`${layout.box} ${styles.scheduleScopes}`}>
      <span>{t('measure.makeAScopeOfEachRow')} </span>
      <Select
        aria-label={t('measure.kindOfTheScopes')}
        value={kind}
        onChange={(event) => setKind(event.target.value as MarkKind)}
      >
        {MARK_KINDS.map((each) => (
          <option key={each} value={each}>
            {KIND_WORDS[each].forMany}
          </option>
        ))}
      </Select>
      <span>{t('measure.namedBy')}</span>
      <Select
        aria-label={t('measure.columnThatNamesThem')}
        value={nameColumn}
        onChange={(event) => setNameColumn(Number(event.target.value))}
      >
        {draft.columns.map((name, index) => (
          <option key={index} value={index}>
            {name}
          </option>
        ))}
      </Select>
      <Button size="xs" disabled={wanted.length === 0} onClick={make}>
        {wanted.length === 0
          ? t('measure.allAreThere')
          : t('measure.make', { scopes: t('count.scope', { count: wanted.length }) })}
      </Button>
      {first === undefined ? null : <TakenAlong first={first} wanted={wanted} />}
    </div>
  );
}

interface TakenAlongProps {
  readonly first: RowScope;
  readonly wanted: readonly RowScope[];
}

/** What of the rows the scopes will carry. */
function TakenAlong({ first, wanted }: TakenAlongProps) {
  const carried = [
    ...first.properties.map(({ name }) => name.toLowerCase()),
    ...(wanted.some(({ expected }) => expected !== undefined) ? [t('measure.theNumberExpected')] : []),
    ...(wanted.some(({ location }) => location !== '') ? [t('measure.theirLocation')] : []),
  ];
  return carried.length === 0 ? null : (
    <span className="soft">
      {t('measure.with')} {listWith('and', carried)}
    </span>
  );
}

/** A scope for each row, with a key and a color of its own. */
function scopesFrom(
  job: Job,
  wanted: ReturnType<typeof scopesOfRows>,
  kind: MarkKind,
  makeId: Services['makeId'],
): readonly Scope[] {
  const keys = new Set(takenKeys(job));
  let order = orderAfter(job.scope.values());
  return wanted.map(({ name, properties, expected, location }, index): Scope => {
    const key = keyFor(name, keys);
    keys.add(key);
    order += 1;
    const color = (job.scope.size + index) % COLOR_COUNT;
    return {
      type: 'scope',
      id: makeId('scope'),
      key,
      name,
      kind,
      color,
      sectionId: null,
      order: order - 1,
      properties,
      ...(expected === undefined ? {} : { expected }),
      ...(location === '' ? {} : { location: location.slice(0, 200) }),
    };
  });
}

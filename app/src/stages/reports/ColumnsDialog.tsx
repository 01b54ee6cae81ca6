import { Button } from '@chakra-ui/react';
import { Plus, X } from 'lucide-react';
import { keepTyped } from '@zest/core/formula/readTyped';
import { plainToLocal } from '@zest/core/formula/localize';
import { keyFor } from '@zest/core/job/keyFor';
import { COLUMN_LIMIT, type ReportColumnSpec, TOTALS, type TotalKind } from '@zest/core/job/records/report';
import { isFigureKind } from '@zest/core/reports/cell';
import { partsOf } from '@zest/core/reports/fields/fields';
import type { OpenReport } from '@zest/core/reports/openReport';
import { describeTyped } from '../../messages/describeTyped.ts';
import { headingOfField } from '../../messages/reportWords.ts';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { DragList } from '../../parts/DragList.tsx';
import { IconAction } from '../../parts/IconAction.tsx';
import { Modal } from '../../parts/Modal.tsx';
import { Select } from '../../parts/fields.tsx';
import { useFormats } from '../../stores/context.tsx';
import { t } from '../../messages/t.ts';
import { FieldSearch } from './FieldSearch.tsx';
import { nameOfColumn } from './GroupLine.tsx';
import { ReportProblems } from './ReportProblems.tsx';
import { styles } from './styles.ts';
import type { ChangeSpec } from './useReports.ts';

interface ColumnsDialogProps {
  readonly open: OpenReport;
  readonly change: ChangeSpec;
  readonly onClose: () => void;
}

type SetColumns = (label: string, columns: readonly ReportColumnSpec[]) => string | undefined;

/** The columns of a report: which, in what order, under what heading, with what at their foot. */
export function ColumnsDialog({ open, change, onClose }: ColumnsDialogProps) {
  const { columns } = open.spec;
  const set: SetColumns = (label, next) => change(label, (spec) => ({ ...spec, columns: next }));
  const byKey = new Map(columns.map((column) => [column.key, column]));
  return (
    <Modal
      title={t('report.columnsOf', { name: open.spec.name })}
      size="xl"
      onClose={onClose}
      footer={
        <Button size="sm" onClick={onClose}>
          {t('report.done')}
        </Button>
      }
    >
      <div className={`${styles.columnRow} ${styles.columnHead}`} aria-hidden="true">
        <span>{t('report.column')}</span>
        <span>{t('report.heading')}</span>
        <span>{t('report.atTheFoot')}</span>
        <span>{t('report.decimals')}</span>
        <span>{t('report.align')}</span>
        <span>{t('report.shown')}</span>
      </div>
      <DragList
        ids={columns.map(({ key }) => key)}
        nameOf={(key) => nameOfColumn(open, key)}
        onOrder={(keys) =>
          void set(
            t('report.moveAColumn'),
            keys.flatMap((key) => byKey.get(key) ?? []),
          )
        }
      >
        {(key) => <ColumnRow open={open} columnKey={key} set={set} />}
      </DragList>
      <AddColumn open={open} set={set} />
      <ReportProblems problems={open.problems} />
    </Modal>
  );
}

interface AddColumnProps {
  readonly open: OpenReport;
  readonly set: SetColumns;
}

/** A column more: of a field that is found by its name, or a formula over the others. */
function AddColumn({ open, set }: AddColumnProps) {
  const { columns, source } = open.spec;
  if (columns.length >= COLUMN_LIMIT) return null;
  const keys = new Set(columns.map(({ key }) => key));
  return (
    <div className={styles.adding}>
      <span className="soft">{t('report.addAColumn')}</span>
      <div style={{ width: 220 }}>
        <FieldSearch
          label={t('report.addAColumn')}
          source={source}
          value=""
          onChoose={(field) =>
            void set(t('report.addAColumnStep'), [
              ...columns,
              { key: keyFor(partsOf(field)[1], keys), of: { field } },
            ])
          }
        />
      </div>
      <Button
        size="sm"
        variant="outline"
        onClick={() =>
          void set(t('report.addACalculatedColumn'), [
            ...columns,
            { key: keyFor('calculated', keys), of: { formula: columns[0]?.key ?? '1' } },
          ])
        }
      >
        <Plus size={14} /> {t('report.calculatedColumn')}
      </Button>
      <span className="soft">
        {t('report.namesInFormulas', { names: columns.map(({ key }) => key).join(', ') })}
      </span>
    </div>
  );
}

interface ColumnRowProps {
  readonly open: OpenReport;
  readonly columnKey: string;
  readonly set: SetColumns;
}

function ColumnRow({ open, columnKey, set }: ColumnRowProps) {
  const { columns } = open.spec;
  const at = columns.findIndex(({ key }) => key === columnKey);
  const spec = columns[at];
  if (spec === undefined) return null;
  const name = nameOfColumn(open, columnKey);
  const put = (next: ReportColumnSpec): string | undefined =>
    set(
      t('report.changeColumn', { name }),
      columns.map((each, place) => (place === at ? next : each)),
    );
  const { heading: _heading, hidden: _hidden, ...bare } = spec;
  const named = spec.heading === undefined ? {} : { heading: spec.heading };
  return (
    <div className={styles.columnRow}>
      <WhatItShows open={open} spec={spec} put={put} />
      <CommitInput
        label={t('report.headingOf', { name })}
        placeholder={'field' in spec.of ? headingOfField(spec.of.field, open.context.figures.job) : spec.key}
        value={spec.heading ?? ''}
        onCommit={(text) => {
          const hidden = spec.hidden === undefined ? {} : { hidden: spec.hidden };
          return put({ ...bare, ...hidden, ...(text.trim() === '' ? {} : { heading: text.trim() }) });
        }}
      />
      <TotalChoice open={open} spec={spec} put={put} />
      <Places spec={spec} name={name} put={put} />
      <AlignChoice spec={spec} name={name} put={put} />
      <Checkbox
        checked={spec.hidden !== true}
        aria-label={t('report.showColumn', { name })}
        onChange={(on) => void put(on ? { ...bare, ...named } : { ...spec, hidden: true })}
      />
      {columns.length === 1 ? null : (
        <IconAction
          label={t('report.removeColumn', { name })}
          icon={X}
          onClick={() =>
            void set(
              t('report.removeColumn', { name }),
              columns.filter((_, place) => place !== at),
            )
          }
        />
      )}
    </div>
  );
}

interface PartProps {
  readonly open: OpenReport;
  readonly spec: ReportColumnSpec;
  readonly put: (next: ReportColumnSpec) => string | undefined;
}

/** The field of a column, or the formula it is calculated by; and what formulas call it. */
function WhatItShows({ open, spec, put }: PartProps) {
  const { numbers } = useFormats();
  if ('field' in spec.of)
    return (
      <span className="cut" title={spec.key}>
        {headingOfField(spec.of.field, open.context.figures.job)}{' '}
        <span className="soft unit">{spec.key}</span>
      </span>
    );
  return (
    <CommitInput
      label={t('report.formulaOf', { name: spec.key })}
      value={plainToLocal(spec.of.formula, numbers)}
      onCommit={(text) => {
        const kept = keepTyped(text, numbers);
        return kept.ok ? put({ ...spec, of: { formula: kept.value } }) : describeTyped(kept.problem);
      }}
    />
  );
}

const TOTAL_WORDS: Readonly<Record<TotalKind, string>> = {
  sum: t('report.sum'),
  mean: t('report.mean'),
  weighted: t('report.weightedMean'),
  least: t('report.least'),
  most: t('report.most'),
  count: t('report.count'),
  first: t('report.first'),
};
/** What there is of words as well. */
const OF_WORDS: ReadonlySet<TotalKind> = new Set(['count', 'first']);

function TotalChoice({ open, spec, put }: PartProps) {
  const column = open.columns.find((each) => each.spec.key === spec.key);
  const name = nameOfColumn(open, spec.key);
  const kinds = TOTALS.filter(
    (kind) => OF_WORDS.has(kind) || (column !== undefined && isFigureKind(column.kind)),
  );
  const { total: _total, ...bare } = spec;
  return (
    <div>
      <Select
        small
        aria-label={t('report.footOf', { name })}
        value={spec.total?.by ?? ''}
        onChange={({ target }) => {
          const by = kinds.find((kind) => kind === target.value);
          const weight = firstWeight(open, spec.key);
          void put(
            by === undefined
              ? bare
              : { ...bare, total: by === 'weighted' && weight !== undefined ? { by, weight } : { by } },
          );
        }}
      >
        <option value="">{t('report.nothing')}</option>
        {kinds.map((kind) => (
          <option key={kind} value={kind}>
            {TOTAL_WORDS[kind]}
          </option>
        ))}
      </Select>
      {spec.total?.by === 'weighted' ? (
        <Select
          small
          aria-label={t('report.weightOf', { name })}
          value={spec.total.weight ?? ''}
          onChange={({ target }) => void put({ ...bare, total: { by: 'weighted', weight: target.value } })}
        >
          {weightsOf(open, spec.key).map((key) => (
            <option key={key} value={key}>
              {t('report.weightedBy', { name: nameOfColumn(open, key) })}
            </option>
          ))}
        </Select>
      ) : null}
    </div>
  );
}

const weightsOf = ({ spec, columns }: OpenReport, besides: string): readonly string[] =>
  columns
    .slice(0, spec.columns.length)
    .flatMap(({ kind, spec: { key } }) => (isFigureKind(kind) && key !== besides ? [key] : []));

const firstWeight = (open: OpenReport, besides: string): string | undefined => {
  const keys = weightsOf(open, besides);
  return keys.find((key) => key === 'cost') ?? keys[0];
};

interface PlacesProps {
  readonly spec: ReportColumnSpec;
  readonly name: string;
  readonly put: PartProps['put'];
}

function Places({ spec, name, put }: PlacesProps) {
  const { places, ...bare } = spec;
  return (
    <Select
      small
      aria-label={t('report.decimalsOf', { name })}
      value={places === undefined ? '' : String(places)}
      onChange={({ target }) =>
        void put(target.value === '' ? bare : { ...bare, places: Number(target.value) })
      }
    >
      <option value="">{t('report.usual')}</option>
      {[0, 1, 2, 3, 4].map((each) => (
        <option key={each} value={each}>
          {each}
        </option>
      ))}
    </Select>
  );
}

function AlignChoice({ spec, name, put }: PlacesProps) {
  const { align, ...bare } = spec;
  return (
    <Select
      small
      aria-label={t('report.alignOf', { name })}
      value={align ?? ''}
      onChange={({ target }) =>
        void put(
          target.value === 'left' || target.value === 'right' ? { ...bare, align: target.value } : bare,
        )
      }
    >
      <option value="">{t('report.usual')}</option>
      <option value="left">{t('report.left')}</option>
      <option value="right">{t('report.right')}</option>
    </Select>
  );
}

import { Button } from '@chakra-ui/react';
import { Plus, X } from 'lucide-react';
import { useId, useMemo } from 'react';
import {
  COMPARISONS,
  type Comparison,
  type ReportCondition,
  type ReportFilter,
} from '@zest/core/job/records/report';
import { isCondition } from '@zest/core/reports/filter';
import type { OpenReport } from '@zest/core/reports/openReport';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { IconAction } from '../../parts/IconAction.tsx';
import { Modal } from '../../parts/Modal.tsx';
import { Segments } from '../../parts/Segments.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { FieldSearch } from './FieldSearch.tsx';
import { COMPARISON_WORDS, filterSentence, nameOfConditionField, needsValue } from './filterWords.ts';
import { nameOfColumn } from './GroupLine.tsx';
import { ReportProblems } from './ReportProblems.tsx';
import { styles } from './styles.ts';
import { knownValues } from './knownValues.ts';
import type { ChangeSpec } from './useReports.ts';

interface FilterDialogProps {
  readonly open: OpenReport;
  readonly change: ChangeSpec;
  readonly onClose: () => void;
}

const NO_FILTER: ReportFilter = { join: 'all', of: [] };

/** Which rows a report shows: conditions that read as a sentence, one inside the other where that is needed. */
export function FilterDialog({ open, change, onClose }: FilterDialogProps) {
  const filter = open.spec.filter ?? NO_FILTER;
  const set = (next: ReportFilter): void =>
    void change(t('report.changeTheFilter'), ({ filter: _before, ...spec }) =>
      next.of.length === 0 ? spec : { ...spec, filter: next },
    );
  const { job } = open.context.figures;
  return (
    <Modal
      title={t('report.filterOf', { name: open.spec.name })}
      size="lg"
      onClose={onClose}
      footer={
        <>
          <Button
            size="sm"
            variant="outline"
            disabled={filter.of.length === 0}
            onClick={() => set(NO_FILTER)}
          >
            {t('report.showAllRows')}
          </Button>
          <Button size="sm" onClick={onClose}>
            {t('report.done')}
          </Button>
        </>
      }
    >
      <Conditions open={open} filter={filter} depth={1} set={set} />
      <p role="status">
        {filter.of.length === 0 ? (
          <span className="soft">{t('report.allRowsShow')}</span>
        ) : (
          <>
            {t('report.onlyWhere')} {filterSentence(filter, job, (key) => nameOfColumn(open, key))}.{' '}
            <span className="soft">
              {t('report.shownAndLeftOut', {
                shown: t('count.row', { count: open.order.length }),
                number: open.leftOut,
              })}
            </span>
          </>
        )}
      </p>
      <ReportProblems problems={open.problems} />
    </Modal>
  );
}

type Part = ReportFilter['of'][number];

/** Conditions stand three deep; deeper nobody reads them. */
const DEEPEST = 3;

interface ConditionsProps {
  readonly open: OpenReport;
  readonly filter: ReportFilter;
  readonly depth: number;
  readonly set: (filter: ReportFilter) => void;
}

function Conditions({ open, filter, depth, set }: ConditionsProps) {
  const replace = (at: number, next: Part | undefined): void =>
    set({
      ...filter,
      of: filter.of.flatMap((part, place) => (place !== at ? [part] : next === undefined ? [] : [next])),
    });
  const [first] = open.spec.columns;
  const blank: ReportCondition = {
    field: first !== undefined && 'field' in first.of ? first.of.field : 'line.description',
    is: 'filled',
    value: '',
  };
  return (
    <div className={`${styles.conditions} ${depth > 1 ? 'inner' : ''}`}>
      {filter.of.length > 1 || depth > 1 ? (
        <Segments
          label={t('report.howConditionsJoin')}
          value={filter.join}
          options={[
            ['all', t('report.allOfThem')],
            ['any', t('report.anyOfThem')],
          ]}
          onChoose={(join) => set({ ...filter, join })}
        />
      ) : null}
      {filter.of.map((part, at) =>
        isCondition(part) ? (
          <ConditionRow key={at} open={open} condition={part} set={(next) => replace(at, next)} />
        ) : (
          <Conditions
            key={at}
            open={open}
            filter={part as ReportFilter}
            depth={depth + 1}
            set={(next) => replace(at, next.of.length === 0 ? undefined : (next as Part))}
          />
        ),
      )}
      <div className={styles.adding}>
        <Button size="sm" variant="outline" onClick={() => set({ ...filter, of: [...filter.of, blank] })}>
          <Plus size={14} /> {t('report.addACondition')}
        </Button>
        {depth < DEEPEST ? (
          <Button
            size="sm"
            variant="outline"
            onClick={() =>
              set({
                ...filter,
                of: [...filter.of, { join: filter.join === 'all' ? 'any' : 'all', of: [blank] }],
              })
            }
          >
            <Plus size={14} /> {t('report.addAGroupOfConditions')}
          </Button>
        ) : null}
      </div>
    </div>
  );
}

interface ConditionRowProps {
  readonly open: OpenReport;
  readonly condition: ReportCondition;
  readonly set: (condition: ReportCondition | undefined) => void;
}

function ConditionRow({ open, condition, set }: ConditionRowProps) {
  const { field, is, value } = condition;
  const { job } = open.context.figures;
  const name = nameOfConditionField(field, job, (key) => nameOfColumn(open, key));
  const listId = useId();
  const known = useMemo(() => knownValues(open, field), [open, field]);
  return (
    <div className={styles.condition}>
      <FieldSearch
        label={t('report.fieldOfTheCondition')}
        source={open.spec.source}
        value={name}
        onChoose={(next) => set({ ...condition, field: next })}
      />
      <Select
        aria-label={t('report.comparisonOf', { name })}
        value={is}
        onChange={({ target }) => set({ ...condition, is: target.value as Comparison })}
      >
        {COMPARISONS.map((each) => (
          <option key={each} value={each}>
            {COMPARISON_WORDS[each]}
          </option>
        ))}
      </Select>
      {needsValue(is) ? (
        <>
          <CommitInput
            label={t('report.valueOf', { name })}
            list={listId}
            value={value}
            onCommit={(text) => {
              set({ ...condition, value: text.trim() });
              return undefined;
            }}
          />
          <datalist id={listId}>
            {known.map((each) => (
              <option key={each} value={each} />
            ))}
          </datalist>
        </>
      ) : (
        <span />
      )}
      <IconAction label={t('report.removeCondition', { name })} icon={X} onClick={() => set(undefined)} />
    </div>
  );
}

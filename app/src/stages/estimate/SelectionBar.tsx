import { Button } from '@chakra-ui/react';
import { memo, useState } from 'react';
import { type EstimateRow, isPriced } from '@zest/core/estimate/rows';
import { confirmQuantities } from '@zest/core/job/commands/confirm';
import { put, sequence, update } from '@zest/core/job/change';
import { changeLines } from '@zest/core/job/commands/changeLines';
import type { Scope } from '@zest/core/job/records/scope';
import { orderAfter } from '@zest/core/job/job';
import type { Line } from '@zest/core/job/records/line';
import { AlternateOptions, readPlace } from './AlternateOptions.tsx';
import { AdjustDialog } from './AdjustDialog.tsx';
import { MakeAssemblyDialog } from './MakeAssemblyDialog.tsx';
import type { Estimate } from './useEstimate.ts';
import { pinnedOfRow } from './editRow.ts';
import { type UnitTotal, totalsByUnit } from '@zest/core/reports/totalsByUnit';
import { writeQuantity } from '../../figures/writeQuantity.ts';
import { useFormats, useJobNow, useServices, useSetView } from '../../stores/context.tsx';
import { useOfJob } from '../../stores/jobHooks.ts';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { newYardstick } from './newYardstick.ts';
import { styles } from './styles.ts';
import type { Id } from '@zest/core/job/id';
import type { Section } from '@zest/core/job/records/section';

interface SelectionBarProps {
  readonly block: readonly EstimateRow[];
  readonly estimate: Estimate;
}

/** What can be done to all the lines that are selected at once. */
export const SelectionBar = memo(function SelectionBar({ block, estimate }: SelectionBarProps) {
  const [asking, setAsking] = useState<'adjust' | 'assembly' | undefined>();
  const priced = block.filter(isPriced);
  const keys = priced.map(({ key }) => key);
  const scopes = block.flatMap((row) => (row.type === 'scope' ? [row.scope] : []));
  const inScopes = new Set<string>(scopes.map(({ id }) => id));
  const ownKeys = priced
    .filter((row) => row.type !== 'component' || !inScopes.has(row.scope.id))
    .map(({ key }) => key);
  const { typed, pinned } = useOfJob(({ job }) => ({
    typed: block.flatMap((row) => (row.type === 'line' ? (job.line.get(row.line.id) ?? []) : [])),
    pinned: priced.filter((row) => pinnedOfRow(job, row) !== undefined).map(({ key }) => key),
  }));
  const unconfirmed = typed.filter((line) => line.unconfirmed === true).map(({ id }) => id);
  const only = block.length === 1 ? block[0] : undefined;
  const onSection = only?.type === 'section' && only.section !== null ? only.section : undefined;
  const lines = t('count.line', { count: keys.length });
  const toAlternate = useToAlternate(estimate, scopes, ownKeys, t('estimate.alternateOf', { lines }));
  return (
    <div className={styles.selectionBar} role="toolbar" aria-label={t('estimate.selectedLines')}>
      <SelectedCount onSection={onSection} keys={keys} rows={priced} />
      <Button
        size="xs"
        variant="outline"
        disabled={keys.length === 0 && onSection === undefined}
        onClick={() => setAsking('adjust')}
      >
        {t('estimate.adjustByPercent')}
      </Button>
      <Select
        aria-label={t('estimate.alternateOfTheSelectedLines')}
        disabled={keys.length === 0 && scopes.length === 0}
        value=""
        onChange={(event) => toAlternate(event.target.value)}
      >
        <option value="">{t('estimate.alternate3')}</option>
        <AlternateOptions />
        <option value="new">{t('estimate.addedByANewAlternate')}</option>
      </Select>
      <TaxChoice keys={keys} estimate={estimate} lines={lines} />
      <YardstickOn keys={keys} estimate={estimate} />
      <UnpinAndConfirm pinned={pinned} estimate={estimate} unconfirmed={unconfirmed} />
      <Button
        size="xs"
        variant="outline"
        disabled={typed.length === 0}
        title={t('estimate.fromTypedLines')}
        onClick={() => setAsking('assembly')}
      >
        {t('estimate.makeAnAssembly')}
      </Button>
      {asking === 'adjust' ? (
        <AdjustDialog keys={keys} section={onSection} onClose={() => setAsking(undefined)} />
      ) : null}
      {asking === 'assembly' ? (
        <MakeAssemblyDialog lines={typed satisfies readonly Line[]} onClose={() => setAsking(undefined)} />
      ) : null}
    </div>
  );
});

interface YardstickOnProps {
  readonly keys: string[];
  readonly estimate: Estimate;
}

/** Holds the selected lines together against a rule of thumb. */
function YardstickOn({ keys, estimate }: YardstickOnProps) {
  const jobNow = useJobNow();
  const { makeId } = useServices();
  const setView = useSetView();
  const add = (): void => {
    estimate.tellRefused(
      estimate.settle(
        t('estimate.addAYardstick'),
        put(newYardstick(jobNow(), { what: 'lines', lines: keys }, makeId)),
      ),
    );
    setView({ estimateSide: 'yardsticks' });
  };
  return (
    <Button
      size="xs"
      variant="outline"
      disabled={keys.length === 0}
      title={t('estimate.yardstickOnTheseLines')}
      onClick={add}
    >
      {t('estimate.yardstick')}
    </Button>
  );
}

interface UnpinAndConfirmProps {
  readonly pinned: string[];
  readonly estimate: SelectionBarProps['estimate'];
  readonly unconfirmed: Id<'line'>[];
}

function UnpinAndConfirm({ pinned, estimate, unconfirmed }: UnpinAndConfirmProps) {
  return (
    <>
      {pinned.length === 0 ? null : (
        <Button
          size="xs"
          variant="outline"
          onClick={() =>
            estimate.tellRefused(
              estimate.change(t('estimate.unpinQuantities'), pinned, { pinned: undefined }),
            )
          }
        >
          {t('estimate.unpin2', { quantities: t('count.quantity', { count: pinned.length }) })}
        </Button>
      )}
      {unconfirmed.length === 0 ? null : (
        <Button
          size="xs"
          variant="outline"
          onClick={() =>
            estimate.tellRefused(
              estimate.settle(t('estimate.confirmQuantities'), confirmQuantities(new Set(unconfirmed))),
            )
          }
        >
          {t('estimate.confirm', { quantities: t('count.quantity', { count: unconfirmed.length }) })}
        </Button>
      )}
    </>
  );
}

interface TaxChoiceProps {
  readonly keys: string[];
  readonly estimate: SelectionBarProps['estimate'];
  readonly lines: string;
}

function TaxChoice({ keys, estimate, lines }: TaxChoiceProps) {
  return (
    <Select
      aria-label={t('estimate.taxOfTheSelectedLines')}
      disabled={keys.length === 0}
      value=""
      onChange={(event) =>
        estimate.tellRefused(
          estimate.change(t('estimate.taxOf', { lines }), keys, {
            taxPercent: event.target.value === 'exempt' ? '0' : undefined,
          }),
        )
      }
    >
      <option value="">{t('estimate.tax2')}</option>
      <option value="usual">{t('estimate.asTheJobSays')}</option>
      <option value="exempt">{t('estimate.exempt')}</option>
    </Select>
  );
}

interface SelectedCountProps {
  readonly onSection: Section | undefined;
  readonly keys: string[];
  readonly rows: readonly EstimateRow[];
}

/** How many units are told beside the count; more would push the buttons away. */
const UNITS = 3;

function SelectedCount({ onSection, keys, rows }: SelectedCountProps) {
  const { numbers } = useFormats();
  const totals = useOfJob(({ figures }) => (rows.length < 2 ? [] : totalsByUnit(figures, rows)));
  if (onSection !== undefined)
    return <span className="soft">{t('estimate.section', { name: onSection.name })}</span>;
  if (keys.length === 0) return <span className="soft">{t('estimate.selectLinesHoldShiftForSeveral')}</span>;
  const write = ({ quantity, unit }: UnitTotal): string =>
    `${writeQuantity(quantity, unit, numbers)} ${unit}`;
  const before = (each: UnitTotal): string =>
    t('estimate.beforeWasteOf', {
      quantity: write(each),
      worked: `${writeQuantity(each.worked, each.unit, numbers)} ${each.unit}`,
    });
  return (
    <span className="soft" title={totals.map(before).join('\n')}>
      {[t('count.line', { count: keys.length }), ...totals.slice(0, UNITS).map(write)].join(' · ')}
      {totals.length > UNITS ? ' …' : ''}
    </span>
  );
}

/** Puts lines and scopes into an alternate, one that is there or a new one. */
function useToAlternate(
  estimate: Estimate,
  scopes: readonly Scope[],
  ownKeys: readonly string[],
  label: string,
): (choice: string) => void {
  const jobNow = useJobNow();
  const services = useServices();
  /** What was measured goes whole; its lines follow it. */
  const placeIn = (alternate: Scope['alternate']): void => {
    // As it is by now: it may have been measured on in the split view since it was selected.
    const moved = scopes.map((scope) =>
      update(scope, ({ alternate: _before, ...now }) =>
        alternate === undefined ? now : { ...now, alternate },
      ),
    );
    const changes = ownKeys.map((key) => [key, { alternate }] as const);
    estimate.tellRefused(estimate.settle(label, sequence(...moved, changeLines(changes, services.makeId))));
  };
  return (choice) => {
    if (choice !== 'new') return placeIn(readPlace(choice));
    const id = services.makeId('alternate');
    const { alternate: alternates } = jobNow();
    const name = t('estimate.alternate', { place: alternates.size + 1 });
    const added = { type: 'alternate' as const, id, name, note: '', accepted: false };
    estimate.tellRefused(
      estimate.settle(
        t('estimate.add2', { name }),
        put({ ...added, order: orderAfter(alternates.values()) }),
      ),
    );
    placeIn({ id, as: 'adds' });
  };
}

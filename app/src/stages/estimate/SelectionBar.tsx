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
import { plural } from '../../messages/words.ts';
import { useJobNow, useServices } from '../../stores/context.tsx';
import { useOfJob } from '../../stores/jobHooks.ts';
import { Select } from '../../parts/fields.tsx';

interface SelectionBarProps {
  readonly block: readonly EstimateRow[];
  readonly estimate: Estimate;
}

/** What can be done to all the lines that are selected at once. */
export const SelectionBar = memo(function SelectionBar({ block, estimate }: SelectionBarProps) {
  const jobNow = useJobNow();
  const services = useServices();
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
  const label = (what: string): string => `${what} of ${plural(keys.length, 'line')}`;
  const toAlternate = (choice: string): void => {
    if (choice === 'new') return addAlternate();
    const alternate = readPlace(choice);
    placeIn(alternate);
  };
  /** What was measured goes whole; its lines follow it. */
  const placeIn = (alternate: Scope['alternate']): void => {
    // As it is by now: it may have been measured on in the split view since it was selected.
    const moved = scopes.map((scope) =>
      update(scope, ({ alternate: _before, ...now }) =>
        alternate === undefined ? now : { ...now, alternate },
      ),
    );
    const changes = ownKeys.map((key) => [key, { alternate }] as const);
    estimate.tellRefused(
      estimate.settle(label('alternate'), sequence(...moved, changeLines(changes, services.makeId))),
    );
  };
  const addAlternate = (): void => {
    const id = services.makeId('alternate');
    const { alternate: alternates } = jobNow();
    const name = `Alternate ${alternates.size + 1}`;
    estimate.tellRefused(
      estimate.settle(
        `add ${name}`,
        put({
          type: 'alternate',
          id,
          name,
          note: '',
          accepted: false,
          order: orderAfter(alternates.values()),
        }),
      ),
    );
    placeIn({ id, as: 'adds' });
  };
  return (
    <div className="selection-bar" role="toolbar" aria-label="Selected lines">
      <span className="soft">
        {onSection !== undefined
          ? `Section ${onSection.name}`
          : keys.length === 0
            ? 'Select lines; hold Shift for several'
            : plural(keys.length, 'line')}
      </span>
      <Button
        size="xs"
        variant="outline"
        disabled={keys.length === 0 && onSection === undefined}
        onClick={() => setAsking('adjust')}
      >
        Adjust by percent
      </Button>
      <Select
        aria-label="Alternate of the selected lines"
        disabled={keys.length === 0 && scopes.length === 0}
        value=""
        onChange={(event) => toAlternate(event.target.value)}
      >
        <option value="">Alternate…</option>
        <AlternateOptions />
        <option value="new">Added by a new alternate</option>
      </Select>
      <Select
        aria-label="Tax of the selected lines"
        disabled={keys.length === 0}
        value=""
        onChange={(event) =>
          estimate.tellRefused(
            estimate.change(label('tax'), keys, {
              taxPercent: event.target.value === 'exempt' ? '0' : undefined,
            }),
          )
        }
      >
        <option value="">Tax…</option>
        <option value="usual">As the job says</option>
        <option value="exempt">Exempt</option>
      </Select>
      {pinned.length === 0 ? null : (
        <Button
          size="xs"
          variant="outline"
          onClick={() =>
            estimate.tellRefused(estimate.change('unpin quantities', pinned, { pinned: undefined }))
          }
        >
          Unpin {plural(pinned.length, 'quantity', 'quantities')}
        </Button>
      )}
      {unconfirmed.length === 0 ? null : (
        <Button
          size="xs"
          variant="outline"
          onClick={() =>
            estimate.tellRefused(
              estimate.settle('confirm quantities', confirmQuantities(new Set(unconfirmed))),
            )
          }
        >
          Confirm {plural(unconfirmed.length, 'quantity', 'quantities')}
        </Button>
      )}
      <Button
        size="xs"
        variant="outline"
        disabled={typed.length === 0}
        title="From typed lines"
        onClick={() => setAsking('assembly')}
      >
        Make an assembly
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

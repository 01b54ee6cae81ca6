import { Button } from '@chakra-ui/react';
import { ArrowDown, ArrowUp, Trash2 } from 'lucide-react';
import { bidNode, markupNode } from '@zest/core/calculate/nodes';
import { plainToLocal } from '@zest/core/formula/localize';
import { put, remove } from '@zest/core/job/change';
import { inOrder, orderAfter, settingsOf } from '@zest/core/job/job';
import { MARKUP_BASES, type Markup } from '@zest/core/job/records/markup';
import { listUnpriced } from '@zest/core/reports/unpriced';
import { CommitInput } from '../../components/CommitInput.tsx';
import { MoneyText } from '../../components/Figure.tsx';
import { useSettle } from '../../components/useSettle.ts';
import { describeFailure } from '../../messages/describeFailure.ts';
import { BASE_WORDS, COST_WORDS } from '../../messages/words.ts';
import { COST_KINDS } from '@zest/core/job/records/assembly';
import { findComponentLine } from '@zest/core/calculate/throughLine';
import type { Id } from '@zest/core/job/id';
import type { JobRecord } from '@zest/core/job/record';
import { keepEntry } from '../../components/keepEntry.ts';
import { useFormats, useJobActions, useJobState, useOpenJob, useServices } from '../../stores/context.tsx';

/** From direct cost to the bid: tax, then the markups in their order, each on a stated base. */
export function Summary() {
  const { job } = useOpenJob();
  useJobState((state) => state.revision);
  const settle = useSettle();
  const services = useServices();
  const { numbers } = useFormats();
  const settings = settingsOf(job);
  const markups = inOrder(job.markup.values());
  const change = (label: string, ...changed: readonly JobRecord[]): string | undefined => {
    return settle(label, put(...changed));
  };
  const swap = (index: number, step: 1 | -1): void => {
    const [a, b] = [markups[index], markups[index + step]];
    if (a !== undefined && b !== undefined)
      change('order of markups', { ...a, order: b.order }, { ...b, order: a.order });
  };
  return (
    <aside className="summary" aria-label="From cost to bid">
      <dl className="facts" style={{ margin: '0 0 10px' }}>
        {COST_KINDS.map((kind) => (
          <Row key={kind} name={COST_WORDS[kind]} node={bidNode(kind)} />
        ))}
        <Row name="Direct cost" node={bidNode('cost')} strong />
      </dl>
      <Step name="Tax on materials" words="on material" node={bidNode('tax')}>
        <CommitInput
          label="Tax on materials, percent"
          className="right"
          value={plainToLocal(settings.taxOnMaterials, numbers)}
          onCommit={(text) =>
            change('tax on materials', { ...settings, taxOnMaterials: keepEntry(text, numbers) })
          }
        />
      </Step>
      {markups.map((markup, index) => (
        <MarkupStep
          key={markup.id}
          markup={markup}
          change={(changed) => change(`markup ${markup.name}`, { ...markup, ...changed })}
          onUp={index === 0 ? undefined : () => swap(index, -1)}
          onDown={index === markups.length - 1 ? undefined : () => swap(index, 1)}
        />
      ))}
      <Button
        size="xs"
        variant="outline"
        onClick={() =>
          change('add a markup', {
            type: 'markup',
            id: services.makeId('markup'),
            name: 'Markup',
            percent: '0',
            base: 'running',
            order: orderAfter(markups),
          })
        }
      >
        Add a markup
      </Button>
      <dl
        className="facts"
        style={{ margin: '12px 0', borderTop: '2px solid var(--ink)', paddingTop: 6, fontSize: 15 }}
      >
        <Row name="Bid" node={bidNode('total')} strong />
      </dl>
      <Unpriced />
    </aside>
  );
}

function Row({
  name,
  node,
  strong = false,
}: {
  readonly name: string;
  readonly node: string;
  readonly strong?: boolean;
}) {
  const { calculation } = useOpenJob();
  const weight = strong ? 600 : 400;
  return (
    <>
      <dt style={{ fontWeight: weight, color: strong ? 'var(--ink)' : undefined }}>{name}</dt>
      <dd style={{ fontWeight: weight }}>
        <MoneyText figure={calculation.figure(node)} />
      </dd>
    </>
  );
}

function Step({
  name,
  words,
  node,
  children,
}: {
  readonly name: string;
  readonly words: string;
  readonly node: string;
  readonly children: React.ReactNode;
}) {
  const { calculation } = useOpenJob();
  return (
    <div
      style={{
        display: 'grid',
        gridTemplateColumns: '1fr 42px 12px auto',
        gap: 4,
        alignItems: 'center',
        marginBottom: 8,
      }}
    >
      <span>
        {name} <span className="soft">{words === 'on material' ? '' : words}</span>
      </span>
      {children}
      <span className="unit">%</span>
      <span style={{ minWidth: 70, textAlign: 'right' }}>
        <MoneyText figure={calculation.figure(node)} />
      </span>
    </div>
  );
}

interface MarkupStepProps {
  readonly markup: Markup;
  readonly change: (changed: Partial<Markup>) => string | undefined;
  readonly onUp: (() => void) | undefined;
  readonly onDown: (() => void) | undefined;
}

function MarkupStep({ markup, change, onUp, onDown }: MarkupStepProps) {
  const { calculation } = useOpenJob();
  const actions = useJobActions();
  const { numbers } = useFormats();
  return (
    <div className="box" style={{ padding: '6px 6px 6px 8px', marginBottom: 8, display: 'grid', gap: 5 }}>
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 92px', gap: 5, alignItems: 'center' }}>
        <CommitInput label="Name of the markup" value={markup.name} onCommit={(name) => change({ name })} />
        <span style={{ textAlign: 'right' }}>
          <MoneyText figure={calculation.figure(markupNode(markup.id))} />
        </span>
      </div>
      <div style={{ display: 'flex', gap: 1, alignItems: 'center' }}>
        <CommitInput
          label={`${markup.name}, percent`}
          className="right"
          style={{ width: 42 }}
          value={plainToLocal(markup.percent, numbers)}
          onCommit={(text) => change({ percent: keepEntry(text, numbers) })}
        />
        <span className="unit">%</span>
        <select
          className="input"
          style={{ flex: 1, minWidth: 0, paddingRight: 2 }}
          aria-label={`Base of ${markup.name}`}
          value={markup.base}
          onChange={(event) => change({ base: event.target.value as Markup['base'] })}
        >
          {MARKUP_BASES.map((base) => (
            <option key={base} value={base}>
              {BASE_WORDS[base]}
            </option>
          ))}
        </select>
        <button
          type="button"
          className="icon-button"
          aria-label={`Take ${markup.name} earlier`}
          disabled={onUp === undefined}
          onClick={onUp}
        >
          <ArrowUp size={14} />
        </button>
        <button
          type="button"
          className="icon-button"
          aria-label={`Take ${markup.name} later`}
          disabled={onDown === undefined}
          onClick={onDown}
        >
          <ArrowDown size={14} />
        </button>
        <button
          type="button"
          className="icon-button"
          aria-label={`Remove ${markup.name}`}
          onClick={() => actions.transact(`remove ${markup.name}`, remove(markup.id))}
        >
          <Trash2 size={14} />
        </button>
      </div>
    </div>
  );
}

/** What the total does not hold yet, each leading to its line. */
function Unpriced() {
  const { job, calculation } = useOpenJob();
  const actions = useJobActions();
  const unpriced = listUnpriced(calculation);
  if (unpriced.length === 0) return <p className="soft">Every line has a figure.</p>;
  const nameOf = (key: string): string =>
    job.line.get(key as Id<'line'>)?.description ??
    findComponentLine(calculation, key)?.component.name ??
    key;
  return (
    <section aria-label="Not in the total">
      <h2 style={{ fontSize: 13, fontWeight: 600, margin: '0 0 6px' }}>
        Not in the total: {unpriced.length}
      </h2>
      {unpriced.slice(0, 12).map(({ key, failure }) => (
        <div key={key} style={{ borderLeft: '3px solid var(--pomelo)', paddingLeft: 8, marginBottom: 8 }}>
          <button type="button" className="link" onClick={() => actions.select({ type: 'line', key })}>
            {nameOf(key)}
          </button>
          <div className="soft" style={{ fontSize: 12 }}>
            {describeFailure(failure, job)}
          </div>
        </div>
      ))}
    </section>
  );
}

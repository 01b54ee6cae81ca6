import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { findUsers, titleOf } from '@zest/core/job/formulas';
import { put, update } from '@zest/core/job/change';
import { removeDifficulty, removeNamed, renameKey } from '@zest/core/job/commands/names';
import { inOrder, orderAfter } from '@zest/core/job/job';
import type { NamedQuantity } from '@zest/core/job/records/quantity';
import { usualDifficulties } from '@zest/core/library/difficulties';
import { quantityNode } from '@zest/core/calculate/graph/nodes';
import { namesAt } from '@zest/core/calculate/explain/suggestions';
import { workOut } from '@zest/core/calculate/explain/evaluate';
import { takeFigure } from '../../components/typed.ts';
import { formatNumber } from '@zest/core/units/numberFormat';
import { CommitInput } from '../../components/CommitInput.tsx';
import { FailureText, QuantityText } from '../../components/Figure.tsx';
import { FormulaInput } from '../../components/FormulaInput.tsx';
import { tellProblem } from '../../components/toaster.tsx';
import { useSettle } from '../../components/useSettle.ts';
import { describeProblem } from '../../messages/describeProblem.ts';
import { useFormats, useOpenJob, useServices } from '../../stores/context.tsx';
import { keyFor } from '@zest/core/job/keyFor';
import { takenKeys } from '../measure/newScope.ts';
import { AssemblyTabs } from './AssemblyTabs.tsx';
import { LookupTables } from './LookupTables.tsx';
import { IconButton } from '../../parts/buttons.tsx';

/** Figures with a name, tables to look figures up in, and how hard places are to work in. */
export function FiguresPage() {
  return (
    <div className="stage">
      <div className="bar">
        <AssemblyTabs />
      </div>
      <div className="editor">
        <section aria-label="Named figures">
          <h2>Named figures</h2>
          <NamedFigures />
        </section>
        <section aria-label="Tables">
          <h2>Tables</h2>
          <LookupTables />
        </section>
        <section aria-label="Difficulties">
          <h2>Difficulty: labor hours are multiplied by this</h2>
          <Difficulties />
        </section>
      </div>
    </div>
  );
}

function NamedFigures() {
  const { job } = useOpenJob();
  const { makeId } = useServices();
  const settle = useSettle();
  const named = inOrder(job.quantity.values());
  const add = (): void => {
    const name = `Figure ${named.length + 1}`;
    const figure: NamedQuantity = {
      type: 'quantity',
      id: makeId('quantity'),
      key: keyFor(name, takenKeys(job)),
      name,
      formula: '0',
      unit: '',
      order: orderAfter(named),
    };
    const refused = settle('name a figure', put(figure));
    if (refused !== undefined) tellProblem(refused);
  };
  return (
    <>
      {named.length === 0 ? (
        <p className="soft">
          Name a figure once to use it in many formulas: a lap, a floor area, a number of doors.
        </p>
      ) : (
        <table className="lines">
          <thead>
            <tr>
              <th style={{ width: '22%' }}>What it is</th>
              <th style={{ width: 150 }}>Name in formulas</th>
              <th>Formula</th>
              <th style={{ width: 64 }}>Unit</th>
              <th className="right" style={{ width: 110 }}>
                Figure
              </th>
              <th style={{ width: '18%' }}>Used by</th>
              <th aria-label="What to do" style={{ width: 32 }} />
            </tr>
          </thead>
          <tbody>
            {named.map((figure) => (
              <FigureRow key={figure.id} figure={figure} />
            ))}
          </tbody>
        </table>
      )}
      <Button size="xs" variant="outline" mt="2" onClick={add}>
        Name a figure
      </Button>
    </>
  );
}

function FigureRow({ figure }: { readonly figure: NamedQuantity }) {
  const { job, figures } = useOpenJob();
  const settle = useSettle();
  const set = (changed: Partial<NamedQuantity>): string | undefined =>
    settle(
      'change a named figure',
      update(figure, (now) => ({ ...now, ...changed })),
    );
  const rename = (text: string): string | undefined => {
    const others = new Set([...takenKeys(job)].filter((key) => key !== figure.key));
    return settle(`rename ${figure.name}`, renameKey(figure.id, keyFor(text, others)));
  };
  const users = findUsers(job, { type: 'quantity', key: figure.key })
    .filter(({ id }) => id !== figure.id)
    .map((record) => titleOf(job, record));
  const worked = workOut(figures, figure.formula, namesAt(figures, { in: 'job' }), figure.unit);
  const current = figures.figure(quantityNode(figure.id));
  return (
    <tr>
      <td>
        <CommitInput label="What it is" value={figure.name} onCommit={(name) => set({ name })} />
      </td>
      <td>
        <CommitInput label={`Name of ${figure.name}`} value={figure.key} onCommit={rename} />
      </td>
      <td>
        <FormulaInput
          label={`Formula of ${figure.name}`}
          value={figure.formula}
          place={{ in: 'job' }}
          unit={/^[\d.]+$/.test(figure.formula) ? figure.unit : undefined}
          onCommit={(formula) => set({ formula })}
        />
        {worked.kind === 'problem' ? (
          <div className="field-error" role="note">
            {describeProblem(worked.problem)}
          </div>
        ) : null}
      </td>
      <td>
        <CommitInput
          label={`Unit of ${figure.name}`}
          value={figure.unit}
          onCommit={(unit) => set({ unit: unit.trim() })}
        />
      </td>
      <td className="figure">
        {current.failure !== undefined ? (
          <FailureText failure={current.failure} />
        ) : worked.kind === 'figure' ? (
          <QuantityText figure={current} dimension={worked.dimension} />
        ) : null}
      </td>
      <td>
        <div className="soft cut used-by" title={users.join(', ')}>
          {users.length === 0 ? 'nothing yet' : users.join(', ')}
        </div>
      </td>
      <td>
        <IconButton
          aria-label={`Remove ${figure.name}`}
          onClick={() => {
            const refused = settle(`remove ${figure.name}`, removeNamed(figure.id));
            if (refused !== undefined) tellProblem(refused);
          }}
        >
          <Trash2 size={14} />
        </IconButton>
      </td>
    </tr>
  );
}

function Difficulties() {
  const { job } = useOpenJob();
  const { makeId } = useServices();
  const { numbers } = useFormats();
  const settle = useSettle();
  const [error, setError] = useState<string | undefined>();
  const all = inOrder(job.difficulty.values());
  return (
    <>
      {all.length === 0 ? null : (
        <table className="lines" style={{ maxWidth: 480 }}>
          <thead>
            <tr>
              <th>Where or how</th>
              <th className="right" style={{ width: 110 }}>
                Hours times
              </th>
              <th aria-label="What to do" style={{ width: 32 }} />
            </tr>
          </thead>
          <tbody>
            {all.map((difficulty) => (
              <tr key={difficulty.id}>
                <td>
                  <CommitInput
                    label="Difficulty"
                    value={difficulty.name}
                    onCommit={(name) =>
                      settle(
                        'rename a difficulty',
                        update(difficulty, (now) => ({ ...now, name })),
                      )
                    }
                  />
                </td>
                <td>
                  <CommitInput
                    label={`Factor of ${difficulty.name}`}
                    align="end"
                    value={formatNumber(difficulty.factor, 3, numbers, true)}
                    onCommit={(text) => {
                      return takeFigure(text, numbers, { as: 'amount', least: 0.1, most: 10 }, (kept) =>
                        settle(
                          'change a difficulty',
                          update(difficulty, (now) => ({ ...now, factor: Number(kept) })),
                        ),
                      );
                    }}
                  />
                </td>
                <td>
                  <IconButton
                    aria-label={`Remove ${difficulty.name}`}
                    onClick={() =>
                      setError(settle(`remove ${difficulty.name}`, removeDifficulty(difficulty.id)))
                    }
                  >
                    <Trash2 size={14} />
                  </IconButton>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {error === undefined ? null : (
        <div className="field-error" role="alert">
          {error}
        </div>
      )}
      <Button
        size="xs"
        variant="outline"
        mt="2"
        onClick={() =>
          setError(
            settle(
              'add a difficulty',
              all.length === 0
                ? put(...usualDifficulties(makeId))
                : put({
                    type: 'difficulty',
                    id: makeId('difficulty'),
                    name: `Difficulty ${all.length + 1}`,
                    factor: 1,
                    order: orderAfter(all),
                  }),
            ),
          )
        }
      >
        {all.length === 0 ? 'Add the usual ones' : 'Add a difficulty'}
      </Button>
    </>
  );
}

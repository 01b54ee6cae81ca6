import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { type Dispatch, type SetStateAction, useState } from 'react';
import { findUsers, titleOf } from '@zest/core/job/formulas';
import { put, update } from '@zest/core/job/change';
import { removeDifficulty, removeNamed, renameKey } from '@zest/core/job/commands/names';
import { inOrder, orderAfter } from '@zest/core/job/job';
import type { NamedQuantity } from '@zest/core/job/records/quantity';
import { usualDifficulties } from '@zest/core/library/difficulties';
import { quantityNode } from '@zest/core/calculate/graph/nodes';
import { namesAt } from '@zest/core/calculate/explain/suggestions';
import { type Worked, workOut } from '@zest/core/calculate/explain/evaluate';
import { takeFigure } from '../../figures/typed.ts';
import { formatNumber } from '@zest/core/units/numberFormat';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { FailureText, QuantityText } from '../../figures/Figure.tsx';
import { FormulaInput } from '../../formulas/FormulaInput.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { describeProblem } from '../../messages/describeProblem.ts';
import { useFormats, useOpenJob, useServices } from '../../stores/context.tsx';
import { keyFor } from '@zest/core/job/keyFor';
import { takenKeys } from '../measure/newScope.ts';
import { AssemblyTabs } from './AssemblyTabs.tsx';
import { LookupTables } from './LookupTables.tsx';
import { IconButton } from '../../parts/buttons.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';
import { sayLibrary } from '../../messages/libraryText.ts';
import type { Figure } from '@zest/core/calculate/graph/rule';
import type { Difficulty } from '@zest/core/job/records/difficulty';
import { Refusal } from '../../parts/Refusal.tsx';

/** Figures with a name, tables to look figures up in, and how hard places are to work in. */
export function FiguresPage() {
  return (
    <div className={layout.stage}>
      <div className={layout.bar}>
        <AssemblyTabs />
      </div>
      <div className={styles.editor}>
        <section aria-label={t('assemblies.namedFigures')}>
          <h2>{t('assemblies.namedFigures')}</h2>
          <NamedFigures />
        </section>
        <section aria-label={t('assemblies.tables')}>
          <h2>{t('assemblies.tables')}</h2>
          <LookupTables />
        </section>
        <section aria-label={t('assemblies.difficulties')}>
          <h2>{t('assemblies.difficultyLaborHoursAreMultipliedBy')}</h2>
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
    const name = t('assemblies.figure', { place: named.length + 1 });
    const figure: NamedQuantity = {
      type: 'quantity',
      id: makeId('quantity'),
      key: keyFor(name, takenKeys(job)),
      name,
      formula: '0',
      unit: '',
      order: orderAfter(named),
    };
    const refused = settle(t('assemblies.nameAFigure'), put(figure));
    if (refused !== undefined) tellProblem(refused);
  };
  return (
    <>
      {named.length === 0 ? (
        <p className="soft">{t('assemblies.nameAFigureOnceToUseIt')}</p>
      ) : (
        <table className={layout.lines}>
          <thead>
            <tr>
              <th style={{ width: '22%' }}>{t('assemblies.whatItIs')}</th>
              <th style={{ width: 150 }}>{t('assemblies.nameInFormulas')}</th>
              <th>{t('assemblies.formula')}</th>
              <th style={{ width: 64 }}>{t('assemblies.unit')}</th>
              <th className="right" style={{ width: 110 }}>
                {t('assemblies.figure2')}
              </th>
              <th style={{ width: '18%' }}>{t('assemblies.usedBy')}</th>
              <th aria-label={t('assemblies.whatToDo')} style={{ width: 32 }} />
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
        {t('assemblies.nameAFigure2')}
      </Button>
    </>
  );
}

function FigureRow({ figure }: { readonly figure: NamedQuantity }) {
  const { job, figures } = useOpenJob();
  const settle = useSettle();
  const set = (changed: Partial<NamedQuantity>): string | undefined =>
    settle(
      t('assemblies.changeANamedFigure'),
      update(figure, (now) => ({ ...now, ...changed })),
    );
  const rename = (text: string): string | undefined => {
    const others = new Set([...takenKeys(job)].filter((key) => key !== figure.key));
    return settle(t('assemblies.rename', { name: figure.name }), renameKey(figure.id, keyFor(text, others)));
  };
  const users = findUsers(job, { type: 'quantity', key: figure.key })
    .filter(({ id }) => id !== figure.id)
    .map((record) => titleOf(job, record));
  const worked = workOut(figures, figure.formula, namesAt(figures, { in: 'job' }), figure.unit);
  const current = figures.figure(quantityNode(figure.id));
  return (
    <tr>
      <FigureNames figure={figure} set={set} rename={rename} />
      <td>
        <FormulaInput
          label={t('assemblies.formulaOf', { name: figure.name })}
          value={figure.formula}
          place={{ in: 'job' }}
          unit={/^[\d.]+$/.test(figure.formula) ? figure.unit : undefined}
          onCommit={(formula) => set({ formula })}
        />
        {worked.kind === 'problem' ? (
          <div className={layout.fieldError} role="note">
            {describeProblem(worked.problem)}
          </div>
        ) : null}
      </td>
      <NoteCell figure={figure} set={set} />
      <FigureCells current={current} worked={worked} users={users} />
      <td>
        <IconButton
          aria-label={t('assemblies.remove3', { name: figure.name })}
          onClick={() => {
            const refused = settle(t('assemblies.remove', { name: figure.name }), removeNamed(figure.id));
            if (refused !== undefined) tellProblem(refused);
          }}
        >
          <Trash2 size={14} />
        </IconButton>
      </td>
    </tr>
  );
}

interface FigureCellsProps {
  readonly current: Figure;
  readonly worked: Worked;
  readonly users: string[];
}

function FigureCells({ current, worked, users }: FigureCellsProps) {
  return (
    <>
      <td className="figure">
        {current.failure !== undefined ? (
          <FailureText failure={current.failure} />
        ) : worked.kind === 'figure' ? (
          <QuantityText figure={current} dimension={worked.dimension} />
        ) : null}
      </td>
      <td>
        <div className={`soft cut ${styles.usedBy}`} title={users.join(', ')}>
          {users.length === 0 ? t('assemblies.nothingYet') : users.join(', ')}
        </div>
      </td>
    </>
  );
}

interface NoteCellProps {
  readonly figure: NamedQuantity;
  readonly set: (changed: Partial<NamedQuantity>) => string | undefined;
}

function NoteCell({ figure, set }: NoteCellProps) {
  return (
    <td>
      <CommitInput
        label={t('assemblies.unitOf', { name: figure.name })}
        value={figure.unit}
        onCommit={(unit) => set({ unit: unit.trim() })}
      />
    </td>
  );
}

interface FigureNamesProps {
  readonly figure: NamedQuantity;
  readonly set: (changed: Partial<NamedQuantity>) => string | undefined;
  readonly rename: (text: string) => string | undefined;
}

function FigureNames({ figure, set, rename }: FigureNamesProps) {
  return (
    <>
      <td>
        <CommitInput
          label={t('assemblies.whatItIs')}
          value={figure.name}
          onCommit={(name) => set({ name })}
        />
      </td>
      <td>
        <CommitInput
          label={t('assemblies.nameOf', { name: figure.name })}
          value={figure.key}
          onCommit={rename}
        />
      </td>
    </>
  );
}

function Difficulties() {
  const { job } = useOpenJob();
  const { makeId } = useServices();
  const settle = useSettle();
  const [error, setError] = useState<string | undefined>();
  const all = inOrder(job.difficulty.values());
  return (
    <>
      {all.length === 0 ? null : (
        <table className={layout.lines} style={{ maxWidth: 480 }}>
          <DifficultyHead />
          <tbody>
            {all.map((difficulty) => (
              <DifficultyRow key={difficulty.id} difficulty={difficulty} setError={setError} />
            ))}
          </tbody>
        </table>
      )}
      <Refusal>{error}</Refusal>
      <Button
        size="xs"
        variant="outline"
        mt="2"
        onClick={() =>
          setError(
            settle(
              t('assemblies.addDifficulty'),
              all.length === 0
                ? put(...usualDifficulties(makeId, sayLibrary()))
                : put({
                    type: 'difficulty',
                    id: makeId('difficulty'),
                    name: t('assemblies.difficulty2', { place: all.length + 1 }),
                    factor: 1,
                    order: orderAfter(all),
                  }),
            ),
          )
        }
      >
        {all.length === 0 ? t('assemblies.addTheUsualOnes') : t('assemblies.addADifficulty')}
      </Button>
    </>
  );
}

interface DifficultyRowProps {
  readonly difficulty: Difficulty;
  readonly setError: Dispatch<SetStateAction<string | undefined>>;
}

function DifficultyRow({ difficulty, setError }: DifficultyRowProps) {
  const settle = useSettle();
  const { numbers } = useFormats();
  return (
    <tr>
      <td>
        <CommitInput
          label={t('assemblies.difficulty')}
          value={difficulty.name}
          onCommit={(name) =>
            settle(
              t('assemblies.renameADifficulty'),
              update(difficulty, (now) => ({ ...now, name })),
            )
          }
        />
      </td>
      <td>
        <CommitInput
          label={t('assemblies.factorOf', { name: difficulty.name })}
          align="end"
          value={formatNumber(difficulty.factor, 3, numbers, true)}
          onCommit={(text) => {
            return takeFigure(text, numbers, { as: 'amount', least: 0.1, most: 10 }, (kept) =>
              settle(
                t('assemblies.changeADifficulty'),
                update(difficulty, (now) => ({ ...now, factor: Number(kept) })),
              ),
            );
          }}
        />
      </td>
      <td>
        <IconButton
          aria-label={t('assemblies.remove3', { name: difficulty.name })}
          onClick={() =>
            setError(
              settle(t('assemblies.remove3', { name: difficulty.name }), removeDifficulty(difficulty.id)),
            )
          }
        >
          <Trash2 size={14} />
        </IconButton>
      </td>
    </tr>
  );
}

function DifficultyHead() {
  return (
    <thead>
      <tr>
        <th>{t('assemblies.whereOrHow')}</th>
        <th className="right" style={{ width: 110 }}>
          {t('assemblies.hoursTimes')}
        </th>
        <th aria-label={t('assemblies.whatToDo')} style={{ width: 32 }} />
      </tr>
    </thead>
  );
}

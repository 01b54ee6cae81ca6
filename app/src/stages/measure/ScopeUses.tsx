import { X } from 'lucide-react';
import { type Dispatch, type SetStateAction, useState } from 'react';
import { allComponentsOf, framesOf } from '@zest/core/assemblies/frames';
import { lineNode, netNode } from '@zest/core/calculate/graph/nodes';
import { warningsOf } from '@zest/core/calculate/explain/notes';
import { remove, update } from '@zest/core/job/change';
import { ownAssembly } from '@zest/core/job/commands/uses';
import { type Job, inOrder } from '@zest/core/job/job';
import type { Scope } from '@zest/core/job/records/scope';
import type { Use } from '@zest/core/job/records/use';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import { InUnitText } from '../../figures/Figure.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { tellProblem } from '../../parts/toaster.tsx';
import { UseAnswers } from '../assemblies/UseAnswers.tsx';
import { useFormats, useJobActions, useOpenJob, useServices } from '../../stores/context.tsx';
import { AssemblyChoice } from './AssemblyChoice.tsx';
import { DifficultyChoice } from './DifficultyChoice.tsx';
import { SwapDialog } from './SwapDialog.tsx';
import { BareButton, IconButton, TextButton } from '../../parts/buttons.tsx';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';
import type { Assembly } from '@zest/core/job/records/assembly';

/** The assemblies applied to the scope, and the next one. */
export function ScopeUses({ scope }: { readonly scope: Scope }) {
  const { job } = useOpenJob();
  const settle = useSettle();
  const uses = inOrder([...job.use.values()].filter((use) => use.scopeId === scope.id));
  return (
    <div style={{ display: 'grid', gap: 6 }}>
      {uses.map((use) => (
        <UseBox key={use.id} use={use} />
      ))}
      <AssemblyChoice scope={scope} />
      {uses.length === 0 ? null : (
        <DifficultyChoice
          label={t('measure.difficulty')}
          chosen={scope.difficulty ?? []}
          onChange={(difficulty) =>
            settle(
              t('measure.difficultyOfAScope'),
              update(scope, (now) => ({ ...now, difficulty })),
            )
          }
        />
      )}
    </div>
  );
}

/** Others that an assembly is on, when it is about to be changed for one. */
const othersOn = (job: Job, use: Use): number =>
  [...job.use.values()].filter(({ assemblyId, id }) => assemblyId === use.assemblyId && id !== use.id).length;

function UseBox({ use }: { readonly use: Use }) {
  const { job, figures } = useOpenJob();
  const { display } = useFormats();
  const { makeId } = useServices();
  const settle = useSettle();
  const [open, setOpen] = useState(false);
  const [swapping, setSwapping] = useState(false);
  const assembly = job.assembly.get(use.assemblyId);
  if (assembly === undefined) return null;
  const warned = warningsOf(figures, use, display).length;
  const makeOwn = (): void => {
    const scope = job.scope.get(use.scopeId)?.name ?? '';
    const name = `${assembly.name}, ${scope}`.slice(0, 190);
    const refused = settle(
      t('measure.ownCopyOf', { name: assembly.name }),
      ownAssembly(use.id, makeId('assembly'), name),
    );
    if (refused !== undefined) tellProblem(refused);
  };
  return (
    <div className={layout.box} style={{ padding: '4px 8px' }}>
      <UseHead open={open} setOpen={setOpen} assembly={assembly} warned={warned} use={use} />
      <UseMore open={open} use={use} setSwapping={setSwapping} makeOwn={makeOwn} />
      {swapping ? <SwapDialog use={use} onClose={() => setSwapping(false)} /> : null}
    </div>
  );
}

interface UseMoreProps {
  readonly open: boolean;
  readonly use: Use;
  readonly setSwapping: Dispatch<SetStateAction<boolean>>;
  readonly makeOwn: () => void;
}

function UseMore({ open, use, setSwapping, makeOwn }: UseMoreProps) {
  const settle = useSettle();
  const { job } = useOpenJob();
  return open ? (
    <>
      <UseAnswers use={use} />
      <UseComponents use={use} />
      <DifficultyChoice
        label={t('measure.difficultyHere')}
        chosen={use.difficulty ?? []}
        onChange={(difficulty) =>
          settle(
            t('measure.difficultyOfAnAssembly'),
            update(use, (now) => ({ ...now, difficulty })),
          )
        }
      />
      <div className={styles.useFoot}>
        <TextButton onClick={() => setSwapping(true)}>{t('measure.swapForAnother')}</TextButton>
        {othersOn(job, use) === 0 ? null : (
          <TextButton onClick={makeOwn} title={t('measure.changesToTheCopyDontAffectThe')}>
            {t('measure.makeACopyForThisScope')}
          </TextButton>
        )}
      </div>
    </>
  ) : null;
}

interface UseHeadProps {
  readonly open: boolean;
  readonly setOpen: Dispatch<SetStateAction<boolean>>;
  readonly assembly: Assembly;
  readonly warned: number;
  readonly use: Use;
}

function UseHead({ open, setOpen, assembly, warned, use }: UseHeadProps) {
  const actions = useJobActions();
  return (
    <div style={{ display: 'flex', alignItems: 'center', gap: 6 }}>
      <BareButton
        className="cut"
        style={{ flex: 1, fontWeight: 500 }}
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        {open ? '▾' : '▸'} {assembly.name}
      </BareButton>
      {warned === 0 ? null : (
        <span className="warn" title={t('measure.hasWarningsOpenIt')}>
          {warned}!
        </span>
      )}
      <IconButton
        style={{ width: 20 }}
        aria-label={t('measure.takeOff', { name: assembly.name })}
        onClick={() => actions.transact(t('measure.takeOff2', { name: assembly.name }), remove(use.id))}
      >
        <X size={13} />
      </IconButton>
    </div>
  );
}

/** What the assembly brings here, each on or off. */
function UseComponents({ use }: { readonly use: Use }) {
  const { job, figures } = useOpenJob();
  const settle = useSettle();
  const off = new Set(use.off ?? []);
  const toggle = (path: string, name: string): void => {
    const isOff = off.has(path);
    const change = (now: Use): Use => {
      const others = (now.off ?? []).filter((each) => each !== path);
      return { ...now, off: isOff ? others : [...others, path] };
    };
    settle(isOff ? t('measure.takeInAgain', { name }) : t('measure.leaveOut', { name }), update(use, change));
  };
  const inner = framesOf(job, use).length > 1;
  return (
    <div className={styles.useComponents}>
      {allComponentsOf(job, use)
        .filter((placed) => figures.isDue(placed))
        .map(({ path, key, component, frame }) => {
          const figure = off.has(path)
            ? netIn(figures.figure(netNode(use.id, path)), component.unit)
            : figures.figure(lineNode(key, 'quantity'));
          return (
            <Checkbox
              key={path}
              className={off.has(path) ? 'is-off' : ''}
              checked={!off.has(path)}
              onChange={() => toggle(path, component.name)}
            >
              <span className="cut" title={component.name}>
                {inner && frame.within !== undefined ? `${frame.within.inner.name}: ` : ''}
                {component.name}
              </span>
              <span className="figure">
                <InUnitText figure={figure} unit={component.unit} />
              </span>
            </Checkbox>
          );
        })}
    </div>
  );
}

type Figure = Parameters<typeof InUnitText>[0]['figure'];

const netIn = (figure: Figure, unit: string): Figure =>
  figure.failure === undefined ? { value: figure.value / unitOrLabel(unit).factor } : figure;

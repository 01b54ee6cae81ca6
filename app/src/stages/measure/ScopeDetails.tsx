import { Button, Menu, Portal } from '@chakra-ui/react';
import { Crosshair, ListOrdered, Trash2 } from 'lucide-react';
import { type Dispatch, type SetStateAction, useMemo, useState } from 'react';
import { measureNode } from '@zest/core/calculate/graph/nodes';
import { sequence, update } from '@zest/core/job/change';
import { renameKey } from '@zest/core/job/commands/names';
import { removeScope } from '@zest/core/job/commands/removeWith';
import { type Table } from '@zest/core/job/job';
import type { Id } from '@zest/core/job/id';
import { COLOR_COUNT, type Scope } from '@zest/core/job/records/scope';
import { MEASURE_DIMENSION } from '@zest/core/job/measures';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { QuantityText } from '../../figures/Figure.tsx';
import { Swatch } from '../../figures/Swatch.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { MEASURE_WORDS } from '../../messages/words.ts';
import { useJobActions, useJobNow, useOpenJobLater, useSetView, useView } from '../../stores/context.tsx';
import { useTable } from '../../stores/jobHooks.ts';
import { lookOf } from '../../theme/scopeColors.ts';
import { ScopeDue, ScopeMeets, ScopeSign } from './ScopeDue.tsx';
import { ScopeExpected } from './ScopeExpected.tsx';
import { ScopeProperties } from './ScopeProperties.tsx';
import { ScopeRules } from './ScopeRules.tsx';
import { ScopeUses } from './ScopeUses.tsx';
import { TapeDialog } from './TapeDialog.tsx';
import { TypedPieces } from './TypedPieces.tsx';
import { WheelReader } from './WheelReader.tsx';
import { keyFor } from '@zest/core/job/keyFor';
import { takenKeys } from './newScope.ts';
import { shownMeasures } from './shownMeasures.ts';
import { IconButton } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import { layout } from '../../theme/layout.ts';
import { SectionOptions } from '../../figures/SectionOptions.tsx';

/** Everything of the scope in hand: its figures, properties, and the assemblies on it. */
export function ScopeDetails({ scope }: { readonly scope: Scope }) {
  const sections = useTable('section');
  const jobNow = useJobNow();
  const settle = useSettle();
  const alone = useView((state) => state.alone);
  const [tape, setTape] = useState(false);
  const change = (label: string, changed: Partial<Scope>): string | undefined => {
    return settle(
      label,
      update(scope, (now) => leftOut({ ...now, ...changed })),
    );
  };
  const rename = (name: string): string | undefined => {
    // The key follows the name until something may refer to it by hand.
    const others = new Set([...takenKeys(jobNow())].filter((key) => key !== scope.key));
    const follows = scope.key === keyFor(scope.name, others);
    const key = keyFor(name, others);
    const named = update(scope, (now) => ({ ...now, name }));
    if (!follows || key === scope.key) return settle(t('measure.renameAScope'), named);
    // Formulas that use the scope follow its new key.
    return settle(t('measure.renameAScope'), sequence(named, renameKey(scope.id, key)));
  };
  return (
    <div className={styles.tallyMore}>
      <CommitInput label={t('measure.scopeName')} value={scope.name} onCommit={rename} />
      <SectionAndColor scope={scope} change={change} sections={sections} />
      <Facts scope={scope} />
      <ScopeExpected scope={scope} onChange={change} />
      <ScopeProperties scope={scope} onChange={change} />
      <ScopeUses scope={scope} />
      <ScopeRules scope={scope} onChange={change} />
      <ScopeSign scope={scope} onChange={change} />
      <ScopeMeets scope={scope} onChange={change} />
      <ScopeDue scope={scope} onChange={change} />
      <TypedPieces scope={scope} />
      <WheelReader scope={scope} />
      <ScopeFoot setTape={setTape} alone={alone} scope={scope} />
      {tape ? <TapeDialog scope={scope} onClose={() => setTape(false)} /> : null}
    </div>
  );
}

/** What is set to nothing is left out, as it was before it was ever set. */
const leftOut = (scope: Scope): Scope =>
  Object.fromEntries(Object.entries(scope).filter(([, value]) => value !== undefined)) as Scope;

interface ScopeFootProps {
  readonly setTape: Dispatch<SetStateAction<boolean>>;
  readonly alone: string | undefined;
  readonly scope: Scope;
}

function ScopeFoot({ setTape, alone, scope }: ScopeFootProps) {
  const setView = useSetView();
  const actions = useJobActions();
  return (
    <div style={{ display: 'flex', gap: 2, alignItems: 'center' }}>
      <Button size="xs" variant="outline" onClick={() => setTape(true)}>
        <ListOrdered size={13} /> {t('measure.tape')}
      </Button>
      <Button
        size="xs"
        variant="outline"
        aria-pressed={alone === scope.id}
        onClick={() => setView({ alone: alone === scope.id ? undefined : scope.id })}
      >
        <Crosshair size={13} /> {alone === scope.id ? t('measure.showOthers') : t('measure.showAlone')}
      </Button>
      <span style={{ flex: 1 }} />
      <span className="soft" title={t('measure.itsNameInFormulas')}>
        {scope.key}
      </span>
      <IconButton
        aria-label={t('measure.delete', { name: scope.name })}
        title={t('measure.deleteTheScopeAndItsMarks')}
        onClick={() => {
          actions.transact(t('measure.delete2', { name: scope.name }), removeScope(scope.id));
          setView({ penScope: undefined });
        }}
      >
        <Trash2 size={15} />
      </IconButton>
    </div>
  );
}

interface SectionAndColorProps {
  readonly scope: Scope;
  readonly change: (label: string, changed: Partial<Scope>) => string | undefined;
  readonly sections: Table<'section'>;
}

function SectionAndColor({ scope, change, sections }: SectionAndColorProps) {
  return (
    <div style={{ display: 'flex', gap: 6 }}>
      <Select
        aria-label={t('measure.section')}
        value={scope.sectionId ?? ''}
        onChange={(event) =>
          change(t('measure.sectionOfAScope'), {
            sectionId: event.target.value === '' ? null : (event.target.value as Id<'section'>),
          })
        }
      >
        <option value="">{t('measure.noSection')}</option>
        <SectionOptions sections={sections.values()} />
      </Select>
      <ColorChoice scope={scope} onChoose={(color) => change(t('measure.colorOfAScope'), { color })} />
    </div>
  );
}

/** What is measured of the scope beside its leading figure; some of it, like where runs meet, takes its time. */
function Facts({ scope }: { readonly scope: Scope }) {
  const { figures } = useOpenJobLater();
  const facts = useMemo(
    () =>
      shownMeasures(figures, scope).map(
        (measure) => [measure, figures.figure(measureNode(scope.id, measure))] as const,
      ),
    [figures, scope],
  );
  if (facts.length === 0) return null;
  return (
    <dl className={layout.facts} style={{ margin: 0 }}>
      {facts.map(([measure, figure]) => (
        <Fact key={measure} name={measure === 'count' ? 'marks' : MEASURE_WORDS[measure]}>
          <QuantityText figure={figure} dimension={MEASURE_DIMENSION[measure]} />
        </Fact>
      ))}
    </dl>
  );
}

function Fact({ name, children }: { readonly name: string; readonly children: React.ReactNode }) {
  return (
    <>
      <dt>{name}</dt>
      <dd>{children}</dd>
    </>
  );
}

function ColorChoice({
  scope,
  onChoose,
}: {
  readonly scope: Scope;
  readonly onChoose: (color: number) => void;
}) {
  return (
    <Menu.Root>
      <Menu.Trigger asChild>
        <IconButton
          style={{ width: 34, height: 28 }}
          aria-label={t('measure.colorAndPattern', { name: lookOf(scope.color).name })}
        >
          <Swatch color={scope.color} kind={scope.kind} />
        </IconButton>
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content>
            {Array.from({ length: COLOR_COUNT }, (_, color) => (
              <Menu.Item key={color} value={String(color)} onClick={() => onChoose(color)}>
                <Swatch color={color} kind={scope.kind} /> {lookOf(color).name}
              </Menu.Item>
            ))}
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}

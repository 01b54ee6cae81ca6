import { type Dispatch, type SetStateAction, useState } from 'react';
import { useNavigate } from 'react-router';
import { type Driver, type FromLines, assemblyFromLines } from '@zest/core/assemblies/fromLines';
import { knownValue } from '@zest/core/calculate/define';
import { measureNode } from '@zest/core/calculate/graph/nodes';
import { put } from '@zest/core/job/change';
import { inOrder, orderAfter } from '@zest/core/job/job';
import { listRoles } from '@zest/core/formula/roles';
import type { Scope } from '@zest/core/job/records/scope';
import type { Line } from '@zest/core/job/records/line';
import { leadingMeasure, measuresOf } from '@zest/core/job/markKinds';
import { MEASURE_DIMENSION, type Measure } from '@zest/core/job/measures';
import { findDefaultUnit } from '@zest/core/units/format';
import { Labeled } from '../../parts/Labeled.tsx';
import { DialogButtons } from '../../parts/DialogButtons.tsx';
import { LabeledText } from '../../parts/LabeledText.tsx';
import { Modal } from '../../parts/Modal.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { MEASURE_WORDS } from '../../messages/words.ts';
import { useFormats, useOpenJob, useServices } from '../../stores/context.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';

interface MakeAssemblyDialogProps {
  readonly lines: readonly Line[];
  readonly onClose: () => void;
}

/** An assembly out of typed lines: what they were for says how they grow with what is measured next. */
export function MakeAssemblyDialog({ lines, onClose }: MakeAssemblyDialogProps) {
  const { job, jobId } = useOpenJob();
  const { makeId } = useServices();
  const settle = useSettle();
  const navigate = useNavigate();
  const drivers = useDrivers();
  const [scopeId, setScopeId] = useState(
    () => (mentioned(lines, drivers.scopes) ?? drivers.scopes[0])?.id ?? '',
  );
  const scope = drivers.scopes.find(({ id }) => id === scopeId);
  const [measure, setMeasure] = useState<Measure | undefined>();
  const [name, setName] = useState(lines[0]?.description ?? t('estimate.newAssembly'));
  const [error, setError] = useState<string | undefined>();
  const driver = scope === undefined ? undefined : drivers.of(scope.id, measure);
  const [id] = useState(() => makeId('assembly'));
  const order = orderAfter(job.assembly.values());
  const made =
    driver === undefined
      ? undefined
      : assemblyFromLines(lines, driver, name.trim(), id, order, job.item.values(), makeId);
  const create = (): void => {
    if (made === undefined) return;
    const refused = settle(t('estimate.makeFromLines', { name }), put(...made.items, made.assembly));
    setError(refused);
    if (refused !== undefined) return;
    onClose();
    void navigate(`/job/${jobId}/assemblies/${encodeURIComponent(id)}`);
  };
  return (
    <Modal
      title={t('estimate.anAssemblyFrom', { lines: t('count.line', { count: lines.length }) })}
      size="lg"
      onClose={onClose}
      footer={
        <DialogButtons onCancel={onClose} disabled={made === undefined || name.trim() === ''} onDone={create}>
          {t('estimate.makeTheAssembly')}
        </DialogButtons>
      }
    >
      <div className={layout.form}>
        <NameField error={error} name={name} setName={setName} />
        <DriverChoice
          scopeId={scopeId}
          setScopeId={setScopeId}
          setMeasure={setMeasure}
          drivers={drivers}
          driver={driver}
          scope={scope}
        />
        {made === undefined ? (
          <p className="soft">{t('estimate.thereIsNothingMeasuredYetThatThese')}</p>
        ) : (
          <MadeComponents made={made} />
        )}
      </div>
    </Modal>
  );
}

interface MadeComponentsProps {
  readonly made: FromLines;
}

function MadeComponents({ made }: MadeComponentsProps) {
  return (
    <table className={layout.lines}>
      <tbody>
        {made.assembly.components.map(({ key, name: component, formula, unit }) => (
          <tr key={key}>
            <td>{component}</td>
            <td>
              <code>{formula}</code>
            </td>
            <td className="unit" style={{ width: 60 }}>
              {unit}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

interface DriverChoiceProps {
  readonly scopeId: string;
  readonly setScopeId: Dispatch<SetStateAction<string>>;
  readonly setMeasure: Dispatch<SetStateAction<Measure | undefined>>;
  readonly drivers: ReturnType<typeof useDrivers>;
  readonly driver: Driver | undefined;
  readonly scope: Scope | undefined;
}

function DriverChoice({ scopeId, setScopeId, setMeasure, drivers, driver, scope }: DriverChoiceProps) {
  return (
    <div className={layout.formTwo}>
      <Labeled label={t('estimate.theLinesAreFor')} hint={t('estimate.theirQuantitiesScaleWithIt')}>
        {(control) => (
          <Select
            {...control}
            value={scopeId}
            onChange={(event) => {
              setScopeId(event.target.value as typeof scopeId);
              setMeasure(undefined);
            }}
          >
            {drivers.scopes.map((each) => (
              <option key={each.id} value={each.id}>
                {each.name}
              </option>
            ))}
          </Select>
        )}
      </Labeled>
      <Labeled
        label={t('estimate.byIts')}
        hint={driver === undefined ? '' : t('estimate.itIs', { figure: driver.figure })}
      >
        {(control) => (
          <Select
            {...control}
            value={driver?.measure ?? ''}
            onChange={(event) => setMeasure(event.target.value as Measure)}
          >
            {scope === undefined
              ? null
              : drivers.measures(scope.id).map((each) => (
                  <option key={each} value={each}>
                    {MEASURE_WORDS[each]}
                  </option>
                ))}
          </Select>
        )}
      </Labeled>
    </div>
  );
}

interface NameFieldProps {
  readonly error: string | undefined;
  readonly name: string;
  readonly setName: Dispatch<SetStateAction<string>>;
}

function NameField({ error, name, setName }: NameFieldProps) {
  return (
    <LabeledText
      label={t('estimate.name')}
      error={error}

      value={name}
      onText={setName}
    />
  );
}

/** The scope that the lines' own formulas speak of. */
function mentioned(lines: readonly Line[], scopes: readonly Scope[]): Scope | undefined {
  const words = new Set(
    lines.flatMap(({ quantity }) =>
      listRoles(quantity)
        .filter(({ role }) => role === 'scope')
        .map(({ word }) => word),
    ),
  );
  return scopes.find(({ key }) => words.has(key));
}

/** Scopes that came to something, and the measures of each that did. */
function useDrivers() {
  const { job, figures } = useOpenJob();
  const { display } = useFormats();
  const figureOf = (scopeId: string, measure: Measure): number =>
    knownValue(figures.figure(measureNode(scopeId, measure))) ?? 0;
  const scopes = inOrder(job.scope.values()).filter(
    (scope) => figureOf(scope.id, leadingMeasure(scope.kind)) > 0,
  );
  const measures = (scopeId: string): readonly Measure[] => {
    const scope = scopes.find(({ id }) => id === scopeId);
    return scope === undefined ? [] : measuresOf(scope.kind).filter((each) => figureOf(scopeId, each) > 0);
  };
  const of = (scopeId: string, chosen: Measure | undefined): Driver | undefined => {
    const scope = scopes.find(({ id }) => id === scopeId);
    if (scope === undefined) return undefined;
    const measure = chosen ?? leadingMeasure(scope.kind);
    const unit = findDefaultUnit(MEASURE_DIMENSION[measure], display.system);
    const value = figureOf(scopeId, measure) / (unit?.factor ?? 1);
    return { scope, measure, figure: [Number(value.toFixed(4)), unit?.symbol ?? ''].join(' ').trim() };
  };
  return { scopes, measures, of };
}

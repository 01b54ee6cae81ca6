import { Button } from '@chakra-ui/react';
import { type Dispatch, type SetStateAction, useMemo, useState } from 'react';
import { type Preview, type ScopeState, previewOn } from '@zest/core/calculate/explain/preview';
import { type Command, sequence } from '@zest/core/job/change';
import { swapAssembly } from '@zest/core/job/commands/uses';
import type { Id } from '@zest/core/job/id';
import { type Job, inOrder, settingsOf } from '@zest/core/job/job';
import type { Use } from '@zest/core/job/records/use';
import { takeFromLibrary, tradeLibrary } from '@zest/core/library/tradeLibrary';
import { InUnitText, MoneyText } from '../../figures/Figure.tsx';
import { Modal } from '../../parts/Modal.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import { useJobActions, useOpenJob, useServices } from '../../stores/context.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';
import { sayLibrary } from '../../messages/libraryText.ts';
import type { Assembly } from '@zest/core/job/records/assembly';
import type { LibraryAssembly } from '@zest/core/library/build';
import { Refusal } from '../../parts/Refusal.tsx';

interface SwapDialogProps {
  readonly use: Use;
  readonly onClose: () => void;
}

/** Another assembly in the place of one, with what it changes shown before it is taken. */
export function SwapDialog({ use, onClose }: SwapDialogProps) {
  const { job, figures } = useOpenJob();
  const actions = useJobActions();
  const [chosen, setChosen] = useState('');
  const [error, setError] = useState<string | undefined>();
  const scope = job.scope.get(use.scopeId);
  const current = job.assembly.get(use.assemblyId);
  const own = inOrder(job.assembly.values()).filter(
    ({ id, measures }) => measures === scope?.kind && id !== use.assemblyId,
  );
  const library = useLibrary();
  const shipped = library.filter(({ name, measures }) => measures === scope?.kind && !isInJob(job, name));
  const command = useSwap(use, chosen, library);
  const preview = useMemo(
    () => (command === undefined ? undefined : previewOn(figures, use.scopeId, command)),
    [figures, command, use.scopeId],
  );
  const take = (): void => {
    if (command === undefined) return;
    const done = actions.transact(
      t('measure.swapForAnotherAssembly', { name: current?.name ?? '' }),
      command,
    );
    if (done.ok) onClose();
    else setError(describeProblem(done.problem));
  };
  return (
    <Modal
      title={t('measure.swap', { name: current?.name ?? '' })}
      size="lg"
      onClose={onClose}
      footer={<SwapButtons onClose={onClose} command={command} take={take} />}
    >
      <div className={layout.form}>
        <AssemblyChoice chosen={chosen} setChosen={setChosen} own={own} shipped={shipped} />
        {preview === undefined ? (
          <p className="soft">{t('measure.youllSeeWhatChangesBeforeAnythingIs')}</p>
        ) : preview.ok ? (
          <Compared preview={preview.value} />
        ) : (
          <Refusal>{describeProblem(preview.problem)}</Refusal>
        )}
        <Refusal>{error}</Refusal>
      </div>
    </Modal>
  );
}

const isInJob = (job: Job, wanted: string): boolean =>
  [...job.assembly.values()].some(({ name }) => name === wanted);

/** What ships, in the units and the language of the job. */
function useLibrary() {
  const { job } = useOpenJob();
  return useMemo(() => {
    const { unitSystem, documentLanguage } = settingsOf(job);
    return tradeLibrary(unitSystem, sayLibrary(documentLanguage));
  }, [job]);
}

/** The change that puts the chosen assembly in the place of the other; undefined while none is chosen. */
function useSwap(use: Use, chosen: string, library: ReturnType<typeof useLibrary>): Command | undefined {
  const { job } = useOpenJob();
  const { makeId } = useServices();
  return useMemo((): Command | undefined => {
    const assembly = library.find(({ name }) => chosen === `library ${name}`);
    if (assembly !== undefined) {
      const id = makeId('assembly');
      return sequence(takeFromLibrary(assembly, id, makeId), swapAssembly(use.id, id));
    }
    return job.assembly.has(chosen as Id<'assembly'>)
      ? swapAssembly(use.id, chosen as Id<'assembly'>)
      : undefined;
  }, [chosen, job, library, makeId, use.id]);
}

interface AssemblyChoiceProps {
  readonly chosen: string;
  readonly setChosen: Dispatch<SetStateAction<string>>;
  readonly own: Assembly[];
  readonly shipped: LibraryAssembly[];
}

function AssemblyChoice({ chosen, setChosen, own, shipped }: AssemblyChoiceProps) {
  return (
    <Select
      aria-label={t('measure.newAssemblyForIt')}
      value={chosen}
      onChange={(event) => setChosen(event.target.value)}
    >
      <option value="">{t('measure.chooseAnotherAssembly')}</option>
      <optgroup label={t('measure.inThisJob2')}>
        {own.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </optgroup>
      <optgroup label={t('measure.tradeLibrary')}>
        {shipped.map(({ name, trade }) => (
          <option key={name} value={`library ${name}`}>
            {name}, {trade}
          </option>
        ))}
      </optgroup>
    </Select>
  );
}

interface SwapButtonsProps {
  readonly onClose: () => void;
  readonly command: Command | undefined;
  readonly take: () => void;
}

function SwapButtons({ onClose, command, take }: SwapButtonsProps) {
  return (
    <>
      <Button size="sm" variant="outline" onClick={onClose}>
        {t('measure.leaveIt')}
      </Button>
      <Button size="sm" disabled={command === undefined} onClick={take}>
        {t('measure.takeIt')}
      </Button>
    </>
  );
}

function Compared({ preview: { before, after } }: { readonly preview: Preview }) {
  return (
    <>
      <div className={styles.comparedSums}>
        <Sum name={t('measure.theScope')} before={before.cost} after={after.cost} />
        <Sum name={t('measure.theBid')} before={before.bid} after={after.bid} />
      </div>
      <div className={styles.compared}>
        <State title={t('measure.now')} state={before} />
        <State title={t('measure.then')} state={after} />
      </div>
    </>
  );
}

interface SumProps {
  readonly name: string;
  readonly before: ScopeState['cost'];
  readonly after: ScopeState['cost'];
}

/** What a total goes from and to. */
function Sum({ name, before, after }: SumProps) {
  return (
    <span>
      <span className="soft">{name} </span>
      <MoneyText figure={before} />
      {' → '}
      <b>
        <MoneyText figure={after} />
      </b>
    </span>
  );
}

function State({ title, state }: { readonly title: string; readonly state: ScopeState }) {
  return (
    <table className={layout.lines}>
      <caption>{title}</caption>
      <tbody>
        {state.lines.map(({ name, unit, quantity, extension }, index) => (
          <tr key={index}>
            <td className="cut" title={name}>
              {name}
            </td>
            <td className="figure">
              <InUnitText figure={quantity} unit={unit} />
            </td>
            <td className="figure">
              <MoneyText figure={extension} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import {
  type Dispatch,
  type SetStateAction,
  Suspense,
  lazy,
  useCallback,
  useEffect,
  useMemo,
  useState,
} from 'react';
import { useSearchParams } from 'react-router';
import { bidTotal } from '@zest/core/calculate/totals/bidTotal';
import { Calculation } from '@zest/core/calculate/calculation';
import type { Figures } from '@zest/core/calculate/figures';
import { type Job, createJob, inOrder } from '@zest/core/job/job';
import { restoreJob } from '@zest/core/job/commands/restore';
import { formatMoney } from '@zest/core/pricing/money';
import { withAlternates } from '@zest/core/reports/alternates';
import type { Id } from '@zest/core/job/id';
import { BRIDGE_CAUSES, type Bridge, bridgeOf } from '@zest/core/reports/bridge';
import { IconAction } from '../../parts/IconAction.tsx';
import { keepSnapshot } from '../../storage/snapshots.ts';
import { tell, tellProblem } from '../../parts/toaster.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import type { StoredSnapshot } from '../../storage/database.ts';
import { useFormats, useJobActions, useOpenJob, useServices } from '../../stores/context.tsx';
import { CAUSE_WORDS } from './causeWords.ts';
import { EstimateTabs } from './EstimateTabs.tsx';
import { momentOf } from '../../messages/dates.ts';
import { TextButton } from '../../parts/buttons.tsx';
import { Select, TextInput } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';
import { Empty } from '../../parts/Empty.tsx';

const BridgeChart = lazy(() => import('./BridgeChart.tsx').then((m) => ({ default: m.BridgeChart })));

const NOW = 'now';

/** Named states of the job, and what changed the bid from one to another. */
export function ComparePage() {
  const { job, figures } = useOpenJob();
  const kept = useSnapshots();
  const { snapshots } = kept;
  const [name, setName] = useState('');
  // What was sent leads here with the state that was kept with it.
  const [asked] = useSearchParams();
  const [from, setFrom] = useState(asked.get('from') ?? '');
  const [to, setTo] = useState(NOW);
  const save = async (): Promise<void> => {
    const id = await kept.save(name);
    if (id === undefined) return;
    setName('');
    setFrom(id);
  };
  const bridge = useMemo(
    () => bridgeBetween(job, figures, snapshots, from, to),
    [job, figures, snapshots, from, to],
  );
  const options = [
    ...snapshots.map((each) => [each.id, each.name] as const),
    ...inOrder(job.alternate.values()).map(
      (each) => [`alternate ${each.id}`, t('estimate.nowWithJust', { name: each.name })] as const,
    ),
    ['base', t('estimate.nowBaseBidAlone')] as const,
    [NOW, t('estimate.now')] as const,
  ];
  return (
    <div className={layout.stage}>
      <div className={`${layout.bar} wraps`}>
        <EstimateTabs />
        <span className="grow" />
        <SaveForm save={save} name={name} setName={setName} />
      </div>
      <div className={layout.split} style={{ gridTemplateColumns: '260px minmax(0, 1fr)' }}>
        <Snapshots snapshots={snapshots} kept={kept} />
        <div className={`${layout.scroll} ${styles.compare}`}>
          <div className={styles.compareChoice}>
            <StateChoice label={t('estimate.from')} value={from} options={options} onChoose={setFrom} />
            <StateChoice label={t('estimate.to')} value={to} options={options} onChoose={setTo} />
          </div>
          {bridge === undefined ? (
            <Empty title={t('estimate.theBridge')}>{t('estimate.chooseTwoStatesToSeeWhatChanged')}</Empty>
          ) : (
            <BridgeView bridge={bridge} />
          )}
        </div>
      </div>
    </div>
  );
}

interface SnapshotsProps {
  readonly snapshots: readonly StoredSnapshot[];
  readonly kept: ReturnType<typeof useSnapshots>;
}

function Snapshots({ snapshots, kept }: SnapshotsProps) {
  return (
    <aside className={`${layout.list} ${layout.scroll}`} aria-label={t('estimate.snapshots')}>
      {snapshots.length === 0 ? (
        <p className="soft" style={{ padding: 12 }}>
          {t('estimate.aSnapshotSavesTheJobAsIt')}
        </p>
      ) : null}
      {snapshots.map((each) => (
        <SnapshotBox key={each.id} snapshot={each} onGoBack={kept.goBack} onRemove={kept.remove} />
      ))}
    </aside>
  );
}

interface SaveFormProps {
  readonly save: () => Promise<void>;
  readonly name: string;
  readonly setName: Dispatch<SetStateAction<string>>;
}

function SaveForm({ save, name, setName }: SaveFormProps) {
  return (
    <form
      className={layout.barForm}
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <TextInput
        aria-label={t('estimate.nameOfTheSnapshot')}
        placeholder={t('estimate.nameThisState')}
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <Button size="sm" type="submit">
        {t('estimate.saveASnapshot')}
      </Button>
    </form>
  );
}

/** The snapshots of the job; saving one, going back to one, deleting one. */
function useSnapshots() {
  const { job, jobId, figures } = useOpenJob();
  const services = useServices();
  const settle = useSettle();
  const [snapshots, setSnapshots] = useState<readonly StoredSnapshot[]>([]);
  const refresh = useCallback(
    async () => setSnapshots(await services.storage.listSnapshots(jobId)),
    [services, jobId],
  );
  useEffect(() => void refresh(), [refresh]);
  return {
    snapshots,
    /** Gives the id of what was saved, or undefined where the disk refused. */
    save: async (name: string): Promise<string | undefined> => {
      const id = await keepSnapshot(services, {
        jobId,
        job,
        name: name.trim() || t('estimate.state', { place: snapshots.length + 1 }),
        totalMinor: bidTotal(figures),
      });
      if (id === undefined) tellProblem(t('estimate.theSnapshotCouldntBeSavedTheDisk'));
      await refresh();
      return id;
    },
    goBack: (snapshot: StoredSnapshot): void => {
      const refused = settle(
        t('estimate.goBackTo', { name: snapshot.name }),
        restoreJob(createJob(snapshot.records)),
      );
      if (refused !== undefined) tellProblem(refused);
      else tell(t('estimate.theJobIsBackToUndoBrings', { name: snapshot.name }));
    },
    remove: ({ id }: StoredSnapshot) => void services.storage.removeSnapshot(jobId, id).then(refresh),
  };
}

interface SnapshotBoxProps {
  readonly snapshot: StoredSnapshot;
  readonly onGoBack: (snapshot: StoredSnapshot) => void;
  readonly onRemove: (snapshot: StoredSnapshot) => void;
}

function SnapshotBox({ snapshot, onGoBack, onRemove }: SnapshotBoxProps) {
  const { money } = useFormats();
  const { name, at, totalMinor, unread } = snapshot;
  return (
    <div className={styles.snapshot}>
      <b className="cut" title={name}>
        {name}
      </b>
      <span>{formatMoney(totalMinor, money)}</span>
      <span className="soft">
        {momentOf(at)}
        {unread === undefined
          ? ''
          : t('estimate.withoutThatCouldNotBeRead', { records: t('count.record', { count: unread }) })}
      </span>
      <span>
        <TextButton onClick={() => onGoBack(snapshot)}>{t('estimate.goBackToIt')}</TextButton>
        <IconAction
          label={t('estimate.deleteSnapshot', { name })}
          icon={Trash2}
          onClick={() => onRemove(snapshot)}
        />
      </span>
    </div>
  );
}

interface StateChoiceProps {
  readonly label: string;
  readonly value: string;
  readonly options: readonly (readonly [id: string, name: string])[];
  readonly onChoose: (id: string) => void;
}

function StateChoice({ label, value, options, onChoose }: StateChoiceProps) {
  return (
    <label>
      <span className="soft">{label}</span>
      <Select value={value} onChange={(event) => onChoose(event.target.value)}>
        <option value="">{t('estimate.chooseAState')}</option>
        {options.map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </Select>
    </label>
  );
}

function bridgeBetween(
  job: Job,
  figures: Figures,
  snapshots: readonly StoredSnapshot[],
  from: string,
  to: string,
): Bridge | undefined {
  const stateOf = (id: string): Figures | undefined => {
    if (id === NOW) return figures;
    if (id === 'base' || id.startsWith('alternate ')) {
      const wanted = id.slice('alternate '.length);
      return new Calculation(withAlternates(job, new Set([wanted as Id<'alternate'>]))).figures;
    }
    const snapshot = snapshots.find((each) => each.id === id);
    return snapshot === undefined ? undefined : new Calculation(createJob(snapshot.records)).figures;
  };
  if (from === to) return undefined;
  const [before, after] = [stateOf(from), stateOf(to)];
  return before === undefined || after === undefined ? undefined : bridgeOf(before, after);
}

/** The picture, then the lines behind it. */
function BridgeView({ bridge }: { readonly bridge: Bridge }) {
  const { money } = useFormats();
  const actions = useJobActions();
  const difference = bridge.to - bridge.from;
  return (
    <>
      <p className="compare-words">
        <b>{formatMoney(bridge.from, money)}</b> {t('estimate.to2')} <b>{formatMoney(bridge.to, money)}</b>:{' '}
        {difference === 0
          ? t('estimate.noChange')
          : `${formatMoney(Math.abs(difference), money)} ${difference > 0 ? t('estimate.more') : t('estimate.less')}`}
      </p>
      {difference === 0 && bridge.lines.length === 0 ? null : (
        <div className={styles.chartBox}>
          <Suspense fallback={null}>
            <BridgeChart bridge={bridge} />
          </Suspense>
        </div>
      )}
      {bridge.lines.length === 0 ? (
        <p className="soft">{t('estimate.noLinesCostHasChanged')}</p>
      ) : (
        <table className={`${layout.lines} ${styles.bridgeLines}`}>
          <thead>
            <tr>
              <th>{t('estimate.line')}</th>
              <th>{t('estimate.section2')}</th>
              {BRIDGE_CAUSES.map((cause) => (
                <th key={cause} className="right">
                  {CAUSE_WORDS[cause]}
                </th>
              ))}
              <th className="right">{t('estimate.from')}</th>
              <th className="right">{t('estimate.to')}</th>
            </tr>
          </thead>
          <tbody>
            {bridge.lines.slice(0, 200).map((line) => (
              <tr key={line.key}>
                <td>
                  <TextButton className="cut" onClick={() => actions.select({ type: 'line', key: line.key })}>
                    {line.name}
                  </TextButton>
                </td>
                <td className="soft">{line.section}</td>
                {BRIDGE_CAUSES.map((cause) => (
                  <td key={cause} className="right">
                    {line.by[cause] === 0 ? '' : formatMoney(line.by[cause], money)}
                  </td>
                ))}
                <td className="right">{formatMoney(line.from, money)}</td>
                <td className="right">{formatMoney(line.to, money)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}

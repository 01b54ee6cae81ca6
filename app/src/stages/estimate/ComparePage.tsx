import { plural } from '../../messages/words.ts';
import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { Suspense, lazy, useCallback, useEffect, useMemo, useState } from 'react';
import { bidTotal } from '@zest/core/calculate/totals/bidTotal';
import { Calculation } from '@zest/core/calculate/calculation';
import type { Figures } from '@zest/core/calculate/figures';
import { createJob, inOrder, listRecords } from '@zest/core/job/job';
import { restoreJob } from '@zest/core/job/commands/restore';
import type { Job } from '@zest/core/job/job';
import { formatMoney } from '@zest/core/pricing/money';
import { withAlternates } from '@zest/core/reports/alternates';
import type { Id } from '@zest/core/job/id';
import { BRIDGE_CAUSES, type Bridge, bridgeOf } from '@zest/core/reports/bridge';
import { IconAction } from '../../components/IconAction.tsx';
import { tell, tellProblem } from '../../components/toaster.tsx';
import { useSettle } from '../../components/useSettle.ts';
import type { StoredSnapshot } from '../../storage/database.ts';
import { useFormats, useJobActions, useOpenJob, useServices } from '../../stores/context.tsx';
import { CAUSE_WORDS } from './causeWords.ts';
import { EstimateTabs } from './EstimateTabs.tsx';
import { minuteOf } from '../../platform/days.ts';
import { TextButton } from '../../parts/buttons.tsx';
import { Select, TextInput } from '../../parts/fields.tsx';

const BridgeChart = lazy(() => import('./BridgeChart.tsx').then((m) => ({ default: m.BridgeChart })));

const NOW = 'now';

/** Named states of the job, and what changed the bid from one to another. */
export function ComparePage() {
  const { job, jobId, figures } = useOpenJob();
  const services = useServices();
  const settle = useSettle();
  const { money } = useFormats();
  const [snapshots, setSnapshots] = useState<readonly StoredSnapshot[]>([]);
  const [name, setName] = useState('');
  const [from, setFrom] = useState('');
  const [to, setTo] = useState(NOW);
  const refresh = useCallback(
    async () => setSnapshots(await services.storage.listSnapshots(jobId)),
    [services, jobId],
  );
  useEffect(() => void refresh(), [refresh]);
  const keep = async (): Promise<void> => {
    const id = services.makeId('settings').replace('settings:', 'snapshot-');
    const words = name.trim() || `State ${snapshots.length + 1}`;
    try {
      await services.storage.saveSnapshot({
        jobId,
        id,
        name: words,
        at: services.now(),
        totalMinor: bidTotal(figures),
        records: [...listRecords(job)],
      });
    } catch {
      return tellProblem('The snapshot couldn’t be saved; the disk may be full. Nothing was changed.');
    }
    setName('');
    setFrom(id);
    await refresh();
  };
  const goBack = (snapshot: StoredSnapshot): void => {
    const refused = settle(`go back to ‘${snapshot.name}’`, restoreJob(createJob(snapshot.records)));
    if (refused !== undefined) tellProblem(refused);
    else tell(`The job is back to ‘${snapshot.name}’. Undo brings back the newer state.`);
  };
  const bridge = useMemo(
    () => bridgeBetween(job, figures, snapshots, from, to),
    [job, figures, snapshots, from, to],
  );
  const options = [
    ...snapshots.map((each) => [each.id, each.name] as const),
    ...inOrder(job.alternate.values()).map(
      (each) => [`alternate ${each.id}`, `Now with just ${each.name}`] as const,
    ),
    ['base', 'Now, base bid alone'] as const,
    [NOW, 'Now'] as const,
  ];
  return (
    <div className="stage">
      <div className="bar wraps">
        <EstimateTabs />
        <span className="grow" />
        <form
          className="bar-form"
          onSubmit={(event) => {
            event.preventDefault();
            void keep();
          }}
        >
          <TextInput
            aria-label="Name of the snapshot"
            placeholder="Name this state"
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
          <Button size="sm" type="submit">
            Save a snapshot
          </Button>
        </form>
      </div>
      <div className="split" style={{ gridTemplateColumns: '260px minmax(0, 1fr)' }}>
        <aside className="list scroll" aria-label="Snapshots">
          {snapshots.length === 0 ? (
            <p className="soft" style={{ padding: 12 }}>
              A snapshot saves the job as it is now. Later, the bridge shows what has changed the bid, and the
              job can go back to it.
            </p>
          ) : null}
          {snapshots.map((each) => (
            <div key={each.id} className="snapshot">
              <b className="cut" title={each.name}>
                {each.name}
              </b>
              <span>{formatMoney(each.totalMinor, money)}</span>
              <span className="soft">
                {minuteOf(each.at)}
                {each.unread === undefined
                  ? ''
                  : `, without ${plural(each.unread, 'record')} that could not be read`}
              </span>
              <span>
                <TextButton onClick={() => goBack(each)}>Go back to it</TextButton>
                <IconAction
                  label={`Delete snapshot ${each.name}`}
                  icon={Trash2}
                  onClick={() => void services.storage.removeSnapshot(jobId, each.id).then(refresh)}
                />
              </span>
            </div>
          ))}
        </aside>
        <div className="scroll compare">
          <div className="compare-choice">
            <StateChoice label="From" value={from} options={options} onChoose={setFrom} />
            <StateChoice label="To" value={to} options={options} onChoose={setTo} />
          </div>
          {bridge === undefined ? (
            <div className="empty">
              <h2>The bridge</h2>
              <p>
                Choose two states to see what changed the bid: quantities, prices, markups, lines added and
                removed.
              </p>
            </div>
          ) : (
            <BridgeView bridge={bridge} />
          )}
        </div>
      </div>
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
        <option value="">Choose a state</option>
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
        <b>{formatMoney(bridge.from, money)}</b> to <b>{formatMoney(bridge.to, money)}</b>:{' '}
        {difference === 0
          ? 'no change'
          : `${formatMoney(Math.abs(difference), money)} ${difference > 0 ? 'more' : 'less'}`}
      </p>
      {difference === 0 && bridge.lines.length === 0 ? null : (
        <div className="chart-box">
          <Suspense fallback={null}>
            <BridgeChart bridge={bridge} />
          </Suspense>
        </div>
      )}
      {bridge.lines.length === 0 ? (
        <p className="soft">No line’s cost has changed.</p>
      ) : (
        <table className="lines bridge-lines">
          <thead>
            <tr>
              <th>Line</th>
              <th>Section</th>
              {BRIDGE_CAUSES.map((cause) => (
                <th key={cause} className="right">
                  {CAUSE_WORDS[cause]}
                </th>
              ))}
              <th className="right">From</th>
              <th className="right">To</th>
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

import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { type YardstickReading, readYardsticks } from '@zest/core/calculate/totals/readYardsticks';
import { plainToLocal } from '@zest/core/formula/localize';
import { put, remove, update } from '@zest/core/job/change';
import type { Id } from '@zest/core/job/id';
import { inOrder, orderAfter } from '@zest/core/job/job';
import type { Yardstick } from '@zest/core/job/records/yardstick';
import { formatUnitCost } from '@zest/core/pricing/money';
import { formatNumber } from '@zest/core/units/numberFormat';
import { CommitInput } from '../../components/CommitInput.tsx';
import { FormulaInput } from '../../components/FormulaInput.tsx';
import { IconAction } from '../../components/IconAction.tsx';
import { takeFigure } from '../../components/typed.ts';
import { tellProblem } from '../../components/toaster.tsx';
import { useSettle } from '../../components/useSettle.ts';
import { useFormats, useJobState, useOpenJob, useServices } from '../../stores/context.tsx';
import { Select } from '../../parts/fields.tsx';

const OF_WORDS: Readonly<Record<Yardstick['of'], string>> = {
  price: 'Bid',
  cost: 'Direct cost',
  hours: 'Labor hours',
};

/** The estimator's own rules of thumb, and how far the job is from them. */
export function Yardsticks() {
  const { job, figures } = useOpenJob();
  const selection = useJobState((state) => state.selection);
  const services = useServices();
  const settle = useSettle();
  const readings = readYardsticks(figures);
  const add = (): void => {
    // For what is selected, so that a section or a line can be held against its own.
    const on: Yardstick['on'] =
      selection?.type === 'line'
        ? { what: 'line', line: selection.key }
        : selection?.type === 'section' && job.section.has(selection.id as Id<'section'>)
          ? { what: 'section', sectionId: selection.id as Id<'section'> }
          : { what: 'bid' };
    const refused = settle(
      'add a yardstick',
      put({
        type: 'yardstick',
        id: services.makeId('yardstick'),
        name: 'New yardstick',
        of: on.what === 'bid' ? 'price' : 'cost',
        on,
        driver: '1',
        unit: '',
        low: '',
        high: '',
        order: orderAfter(job.yardstick.values()),
      }),
    );
    if (refused !== undefined) tellProblem(refused);
  };
  return (
    <section aria-label="Yardsticks">
      {readings.length === 0 ? (
        <p className="soft">
          A yardstick is a rule of thumb: cost per square foot, hours per cubic yard. The job is checked
          against your own range.
        </p>
      ) : null}
      {readings.map((reading) => (
        <YardstickBox key={reading.yardstick.id} reading={reading} />
      ))}
      <Button size="xs" variant="outline" onClick={add}>
        Add a yardstick
      </Button>
    </section>
  );
}

function YardstickBox({ reading }: { readonly reading: YardstickReading }) {
  const { yardstick } = reading;
  const { job } = useOpenJob();
  const settle = useSettle();
  const { numbers } = useFormats();
  const change = (changed: Partial<Yardstick>): string | undefined =>
    settle(
      'change a yardstick',
      update(yardstick, (now) => ({ ...now, ...changed })),
    );
  const limit = (label: string, key: 'low' | 'high') => (
    <CommitInput
      label={`${label} of ${yardstick.name}`}
      align="end"
      placeholder={label}
      value={plainToLocal(yardstick[key], numbers)}
      onCommit={(text) => takeFigure(text, numbers, { as: 'amount' }, (kept) => change({ [key]: kept }))}
    />
  );
  return (
    <div className="box yardstick" data-state={reading.state}>
      <div className="alternate-head">
        <CommitInput
          label="Name of the yardstick"
          value={yardstick.name}
          onCommit={(name) => change({ name })}
        />
        <IconAction
          label={`Remove ${yardstick.name}`}
          icon={Trash2}
          onClick={() => {
            const refused = settle(`remove ${yardstick.name}`, remove(yardstick.id));
            if (refused !== undefined) tellProblem(refused);
          }}
        />
      </div>
      <Reading reading={reading} />
      <div className="yardstick-row">
        <Select
          aria-label={`What ${yardstick.name} takes`}
          value={yardstick.of}
          onChange={(event) => change({ of: event.target.value as Yardstick['of'] })}
        >
          {(['price', 'cost', 'hours'] as const).map((of) => (
            <option key={of} value={of}>
              {of === 'price' && yardstick.on.what !== 'bid' ? 'Price' : OF_WORDS[of]}
            </option>
          ))}
        </Select>
        <Select
          aria-label={`What ${yardstick.name} is of`}
          value={yardstick.on.what === 'section' ? yardstick.on.sectionId : yardstick.on.what}
          onChange={(event) => {
            const id = event.target.value;
            change({
              on: id === 'bid' ? { what: 'bid' } : { what: 'section', sectionId: id as Id<'section'> },
            });
          }}
        >
          <option value="bid">of the job</option>
          {yardstick.on.what === 'line' ? <option value="line">of one line</option> : null}
          {inOrder(job.section.values()).map(({ id, code, name }) => (
            <option key={id} value={id}>
              of {`${code} ${name}`.trim()}
            </option>
          ))}
        </Select>
      </div>
      <div className="yardstick-row">
        <FormulaInput
          label={`Driver of ${yardstick.name}`}
          value={yardstick.driver}
          place={{ in: 'job' }}
          unit={yardstick.unit}
          onCommit={(driver) => change({ driver })}
        />
        <CommitInput
          label={`Unit of ${yardstick.name}`}
          placeholder="ft², seat"
          style={{ width: 96 }}
          value={yardstick.unit}
          onCommit={(unit) => change({ unit: unit.trim() })}
        />
      </div>
      <div className="yardstick-row">
        {limit('Low', 'low')}
        <span className="soft">to</span>
        {limit('High', 'high')}
      </div>
    </div>
  );
}

const STATE_WORDS = { within: 'within', below: 'below', above: 'above' } as const;

/** The figure, and where it lies in the range. */
function Reading({ reading }: { readonly reading: YardstickReading }) {
  const { money, numbers } = useFormats();
  const { each, yardstick, state, distance } = reading;
  if (each === undefined || state === 'unknown') return <p className="soft">No figure yet.</p>;
  const write = (value: number): string =>
    yardstick.of === 'hours'
      ? `${formatNumber(value, 3, numbers)} h`
      : formatUnitCost(Math.round(value * 100) / 100, money);
  const outside = state !== 'within';
  const words = outside
    ? `${formatNumber(distance * 100, 0, numbers)} % ${STATE_WORDS[state]} your range`
    : 'within your range';
  return (
    <div>
      <b>{write(each)}</b>
      <span className="unit"> / {yardstick.unit || 'one'}</span>
      <div className={outside ? 'warn' : 'soft'}>
        {yardstick.low === '' && yardstick.high === '' ? 'no range yet' : words}
      </div>
      <Scale reading={reading} />
    </div>
  );
}

/** Where the figure lies, drawn: the range in the middle half of the strip. */
function Scale({ reading: { each, yardstick } }: { readonly reading: YardstickReading }) {
  const [low, high] = [Number(yardstick.low), Number(yardstick.high)];
  if (each === undefined || yardstick.low === '' || yardstick.high === '' || high <= low) return null;
  const share = Math.max(0.02, Math.min(0.98, 0.25 + (each - low) / (high - low) / 2));
  return (
    <svg viewBox="0 0 200 10" className="yardstick-scale" aria-hidden="true" preserveAspectRatio="none">
      <rect x="0" y="4" width="200" height="2" />
      <rect x="50" y="3" width="100" height="4" className="range" />
      <rect x={share * 200 - 1.5} y="0" width="3" height="10" className="here" />
    </svg>
  );
}

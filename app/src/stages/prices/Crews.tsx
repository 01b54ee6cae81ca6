import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { plainToLocal } from '@zest/core/formula/localize';
import { put, update } from '@zest/core/job/change';
import { removeCrew } from '@zest/core/job/commands/removeWith';
import type { Id } from '@zest/core/job/id';
import { inOrder, orderAfter } from '@zest/core/job/job';
import type { Crew } from '@zest/core/job/records/crew';
import { DAY_HOURS, type CrewRates, ratesOfCrew } from '@zest/core/pricing/labor';
import { formatUnitCost } from '@zest/core/pricing/money';
import { formatNumber } from '@zest/core/units/numberFormat';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { IconAction } from '../../parts/IconAction.tsx';
import { takeFigure } from '../../figures/typed.ts';
import { tellProblem } from '../../parts/toaster.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { describeFailure } from '../../messages/describeFailure.ts';
import { useFormats, useOpenJob, useServices } from '../../stores/context.tsx';
import { TextButton } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import { layout } from '../../theme/layout.ts';

/** Several crafts and machines that work together, and what an hour and a day of all of them costs. */
export function Crews() {
  const { job } = useOpenJob();
  const services = useServices();
  const settle = useSettle();
  const [first] = job.craft.keys();
  return (
    <section aria-label={t('prices.crews')}>
      <h2>{t('prices.crews')}</h2>
      <p className="soft">{t('prices.aCraftOrACrewDoesThe')}</p>
      <div className={styles.crewBoxes}>
        {inOrder(job.crew.values()).map((crew) => (
          <CrewBox key={crew.id} crew={crew} />
        ))}
      </div>
      <Button
        size="xs"
        variant="outline"
        disabled={first === undefined}
        onClick={() => {
          if (first === undefined) return;
          const refused = settle(
            t('prices.addACrew2'),
            put({
              type: 'crew',
              id: services.makeId('crew'),
              name: t('prices.crew', { place: job.crew.size + 1 }),
              members: [{ craftId: first, count: 1 }],
              machines: [],
              order: orderAfter(job.crew.values()),
            }),
          );
          if (refused !== undefined) tellProblem(refused);
        }}
      >
        {t('prices.addACrew')}
      </Button>
    </section>
  );
}

function CrewBox({ crew }: { readonly crew: Crew }) {
  const { job } = useOpenJob();
  const settle = useSettle();
  const { numbers } = useFormats();
  const change = (changed: Partial<Crew>): string | undefined =>
    settle(
      t('prices.crew2', { name: crew.name }),
      update(crew, (now) => ({ ...now, ...changed })),
    );
  const takeCount = (text: string, take: (count: number) => string | undefined): string | undefined =>
    takeFigure(text, numbers, { as: 'amount', least: 0.05, most: 200 }, (kept) => take(Number(kept)));
  const crewRates = ratesOfCrew(crew, job);
  const member = (at: number, changed: Partial<Crew['members'][number]>): string | undefined =>
    change({ members: crew.members.map((each, index) => (index === at ? { ...each, ...changed } : each)) });
  const machine = (at: number, changed: Partial<Crew['machines'][number]>): string | undefined =>
    change({ machines: crew.machines.map((each, index) => (index === at ? { ...each, ...changed } : each)) });
  return (
    <div className={`${layout.box} ${styles.crewBox}`}>
      <CrewHead crew={crew} change={change} />
      {crew.members.map(({ craftId, count: people }, at) => (
        <MemberRow
          key={at}
          at={at}
          crew={crew}
          people={people}
          takeCount={takeCount}
          member={member}
          craftId={craftId}
          change={change}
        />
      ))}
      {crew.machines.map(({ name, count: machines, hourly }, at) => (
        <MachineRow
          key={`machine ${at}`}
          at={at}
          name={name}
          machines={machines}
          takeCount={takeCount}
          machine={machine}
          crew={crew}
          hourly={hourly}
          change={change}
        />
      ))}
      <CrewFoot change={change} crew={crew} />
      {crewRates.noWage === undefined ? (
        <CrewFigures crewRates={crewRates} />
      ) : (
        <p className="warn">{describeFailure(crewRates.noWage, job)}</p>
      )}
    </div>
  );
}

interface CrewFiguresProps {
  readonly crewRates: CrewRates;
}

function CrewFigures({ crewRates }: CrewFiguresProps) {
  const { numbers, money } = useFormats();
  return (
    <dl className={`${layout.facts} why`}>
      <div>
        <dt>{t('prices.people')}</dt>
        <dd>{formatNumber(crewRates.people, 2, numbers, true)}</dd>
      </div>
      <div>
        <dt>{t('prices.anHourWagesAndMachines')}</dt>
        <dd>{formatUnitCost(crewRates.wages + crewRates.machines, money)}</dd>
      </div>
      <div>
        <dt>{t('prices.aDay')}</dt>
        <dd>
          <b>{formatUnitCost((crewRates.wages + crewRates.machines) * crewRates.dayHours, money)}</b>
        </dd>
      </div>
    </dl>
  );
}

interface CrewFootProps {
  readonly change: (changed: Partial<Crew>) => string | undefined;
  readonly crew: Crew;
}

function CrewFoot({ change, crew }: CrewFootProps) {
  const { job } = useOpenJob();
  const { numbers } = useFormats();
  return (
    <div className={layout.barForm}>
      <TextButton
        onClick={() => {
          const [craft] = job.craft.keys();
          if (craft !== undefined) change({ members: [...crew.members, { craftId: craft, count: 1 }] });
        }}
      >
        {t('prices.addACraft')}
      </TextButton>
      <TextButton
        onClick={() =>
          change({ machines: [...crew.machines, { name: t('prices.machine'), count: 1, hourly: '0' }] })
        }
      >
        {t('prices.addAMachine')}
      </TextButton>
      <label className="soft" style={{ marginLeft: 'auto', display: 'flex', gap: 4, alignItems: 'center' }}>
        {t('prices.hoursADay')}
        <CommitInput
          label={t('prices.hoursInADayOf', { name: crew.name })}
          align="end"
          style={{ width: 44 }}
          placeholder={String(DAY_HOURS)}
          value={plainToLocal(crew.dayHours ?? '', numbers)}
          onCommit={(text) =>
            takeFigure(text, numbers, { as: 'amount', least: 0.5, most: 24 }, (dayHours) =>
              change({ dayHours }),
            )
          }
        />
      </label>
    </div>
  );
}

interface MachineRowProps {
  readonly at: number;
  readonly name: string;
  readonly machines: number;
  readonly takeCount: (text: string, take: (count: number) => string | undefined) => string | undefined;
  readonly machine: (at: number, changed: Partial<Crew['machines'][number]>) => string | undefined;
  readonly crew: Crew;
  readonly hourly: string;
  readonly change: (changed: Partial<Crew>) => string | undefined;
}

function MachineRow({ at, name, machines, takeCount, machine, crew, hourly, change }: MachineRowProps) {
  const { numbers, money } = useFormats();
  return (
    <div className={`${styles.crewRow} machine`}>
      <CommitInput
        label={t('prices.howManyOf2', { name })}
        align="end"
        value={plainToLocal(String(machines), numbers)}
        onCommit={(text) => takeCount(text, (count) => machine(at, { count }))}
      />
      <CommitInput
        label={t('prices.machineOf', { place: at + 1, name: crew.name })}
        value={name}
        onCommit={(text) => machine(at, { name: text })}
      />
      <CommitInput
        label={t('prices.anHourOf', { name })}
        align="end"
        value={plainToLocal(hourly, numbers)}
        onCommit={(text) =>
          takeFigure(text, numbers, { as: 'amount', currency: money.currency }, (kept) =>
            machine(at, { hourly: kept }),
          )
        }
      />
      <IconAction
        label={t('prices.remove', { name })}
        icon={Trash2}
        onClick={() => change({ machines: crew.machines.filter((_, index) => index !== at) })}
      />
    </div>
  );
}

interface MemberRowProps {
  readonly at: number;
  readonly crew: Crew;
  readonly people: number;
  readonly takeCount: (text: string, take: (count: number) => string | undefined) => string | undefined;
  readonly member: (at: number, changed: Partial<Crew['members'][number]>) => string | undefined;
  readonly craftId: Id<'craft'>;
  readonly change: (changed: Partial<Crew>) => string | undefined;
}

function MemberRow({ at, crew, people, takeCount, member, craftId, change }: MemberRowProps) {
  const { numbers } = useFormats();
  const { job } = useOpenJob();
  return (
    <div className={styles.crewRow}>
      <CommitInput
        label={t('prices.howManyOf', { place: at + 1, name: crew.name })}
        align="end"
        value={plainToLocal(String(people), numbers)}
        onCommit={(text) => takeCount(text, (count) => member(at, { count }))}
      />
      <Select
        aria-label={t('prices.craftOf', { place: at + 1, name: crew.name })}
        value={craftId}
        onChange={(event) => member(at, { craftId: event.target.value as Id<'craft'> })}
      >
        {[...job.craft.values()].map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </Select>
      <IconAction
        label={t('prices.removeCraftFrom', { place: at + 1, name: crew.name })}
        icon={Trash2}
        onClick={() => {
          const refused = change({ members: crew.members.filter((_, index) => index !== at) });
          if (refused !== undefined) tellProblem(refused);
        }}
      />
    </div>
  );
}

interface CrewHeadProps {
  readonly crew: Crew;
  readonly change: (changed: Partial<Crew>) => string | undefined;
}

function CrewHead({ crew, change }: CrewHeadProps) {
  const settle = useSettle();
  return (
    <div className={layout.alternateHead}>
      <CommitInput
        label={t('prices.nameOfTheCrew')}
        value={crew.name}
        onCommit={(name) => change({ name })}
      />
      <IconAction
        label={t('prices.removeCrew', { name: crew.name })}
        icon={Trash2}
        onClick={() => {
          const refused = settle(t('prices.removeCrew2', { name: crew.name }), removeCrew(crew.id));
          if (refused !== undefined) tellProblem(refused);
        }}
      />
    </div>
  );
}

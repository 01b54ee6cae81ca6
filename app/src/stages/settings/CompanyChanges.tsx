import { Button } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { type Difference, compareWithCompany, noteHanded, takeFromCompany } from '@zest/core/library/company';
import { settingsOf } from '@zest/core/job/job';
import type { Item } from '@zest/core/job/records/item';
import { describeProblem } from '../../messages/describeProblem.ts';
import { t } from '../../messages/t.ts';
import { RECORD_WORDS } from '../../messages/words.ts';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { Refusal } from '../../parts/Refusal.tsx';
import { giveToCompany } from '../../storage/company.ts';
import { useFormats, useServices } from '../../stores/context.tsx';
import { useOfJob } from '../../stores/jobHooks.ts';
import { useSettle } from '../../stores/useSettle.ts';
import { plainToLocal } from '@zest/core/formula/localize';
import type { NumberFormat } from '@zest/core/units/numberFormat';
import { styles } from './styles.ts';
import { type Company, useCompany } from './useCompany.ts';

/** What the company changed since the job took its copy, and what the job could give back. */
export function CompanyChanges() {
  const { company, set } = useCompany();
  const name = company === undefined ? '' : settingsOf(company.job).name;
  return (
    <section className={styles.card} aria-label={t('settings.jobAndCompany')}>
      <h2>{t('settings.jobAndCompany')}</h2>
      {company === undefined ? (
        <p className="soft">{t('settings.noCompanyYet')}</p>
      ) : (
        <Both key={name} company={company} setCompany={set} name={name} />
      )}
    </section>
  );
}

interface BothProps {
  readonly company: Company;
  readonly setCompany: ReturnType<typeof useCompany>['set'];
  readonly name: string;
}

function Both({ company, setCompany, name }: BothProps) {
  const job = useOfJob((open) => open.job);
  const settle = useSettle();
  const services = useServices();
  const { fromCompany, fromJob } = useMemo(() => compareWithCompany(job, company.job), [job, company]);
  const take = (ids: readonly string[]): string | undefined =>
    settle(
      t('settings.takeFromCompany', { name }),
      takeFromCompany(company.job, ids, services.makeId('companyCopy')),
    );
  const give = async (ids: readonly string[]): Promise<string | undefined> => {
    const given = await giveToCompany(services, company.id, job, ids);
    if (!given.ok) return describeProblem(given.problem);
    setCompany(given.value);
    return settle(
      t('settings.giveToCompany', { name }),
      noteHanded(given.value, ids, services.makeId('companyCopy')),
    );
  };
  if (fromCompany.length + fromJob.length === 0)
    return <p className="soft">{t('settings.sameAsCompany', { name })}</p>;
  return (
    <>
      <Differences
        title={t('settings.changedAtCompany', { name })}
        none={t('settings.nothingChangedAtCompany', { name })}
        button={t('settings.useInThisJob')}
        differences={fromCompany}
        isAsked
        onDo={async (ids) => take(ids)}
      />
      <Differences
        title={t('settings.changedInJob')}
        none={t('settings.nothingChangedInJob')}
        button={t('settings.giveThem', { name })}
        differences={fromJob}
        isAsked={false}
        onDo={give}
      />
    </>
  );
}

interface DifferencesProps {
  readonly title: string;
  readonly none: string;
  readonly button: string;
  readonly differences: readonly Difference[];
  /** All of them are meant until somebody says otherwise. */
  readonly isAsked: boolean;
  readonly onDo: (ids: readonly string[]) => Promise<string | undefined>;
}

function Differences({ title, none, button, differences, isAsked, onDo }: DifferencesProps) {
  /** Those that are the other way round than all are at first. */
  const [turned, setTurned] = useState<ReadonlySet<string>>(new Set());
  const [refusal, setRefusal] = useState<string | undefined>();
  if (differences.length === 0) return <p className="soft">{none}</p>;
  // What both changed is never among what is meant at first.
  const isMeant = ({ record, isChangedTwice }: Difference): boolean =>
    turned.has(record.id) !== (isAsked && !isChangedTwice);
  const meant = differences.filter(isMeant).map(({ record }) => record.id);
  const turn = (id: string): void =>
    setTurned((now) => new Set(now.has(id) ? [...now].filter((each) => each !== id) : [...now, id]));
  const act = async (): Promise<void> => {
    const said = await onDo(meant);
    setRefusal(said);
    // What was refused stays chosen, to be tried again.
    if (said === undefined) setTurned(new Set());
  };
  return (
    <div role="group" aria-label={title}>
      <b>{t('settings.titleWithCount', { title, count: differences.length })}</b>
      <div className={styles.differences}>
        {differences.map((each) => (
          <DifferenceRow
            key={each.record.id}
            difference={each}
            checked={isMeant(each)}
            onTurn={() => turn(each.record.id)}
          />
        ))}
      </div>
      <Button size="xs" disabled={meant.length === 0} onClick={() => void act()}>
        {t('settings.doWithCount', { button, count: meant.length })}
      </Button>
      <Refusal>{refusal}</Refusal>
    </div>
  );
}

interface DifferenceRowProps {
  readonly difference: Difference;
  readonly checked: boolean;
  readonly onTurn: () => void;
}

function DifferenceRow({ difference, checked, onTurn }: DifferenceRowProps) {
  const { numbers } = useFormats();
  const { record, other, isChangedTwice } = difference;
  const name =
    record.type === 'settings'
      ? t('settings.nameAndHabits')
      : record.type === 'item'
        ? record.description
        : record.name;
  const what =
    other === undefined
      ? t('settings.new', { kind: RECORD_WORDS[record.type] })
      : changeOf(difference, numbers);
  return (
    <Checkbox checked={checked} onChange={onTurn}>
      {name} <span className="soft">{what}</span>
      {isChangedTwice ? <span className="warn"> {t('settings.changedOnBothSides')}</span> : null}
    </Checkbox>
  );
}

const PRICES = ['material', 'equipment', 'subcontract', 'other'] as const;

/** `3.21 → 3.60` where just one price changed; else what kind of thing it is. */
function changeOf({ record, other }: Difference, numbers: NumberFormat): string {
  if (record.type === 'item' && other?.type === 'item') {
    const changed = PRICES.filter((price) => record[price] !== other[price]);
    const [price] = changed;
    if (price !== undefined && changed.length === 1) return priceChange(other[price], record[price], numbers);
  }
  if (record.type === 'craft' && other?.type === 'craft' && record.wage !== other.wage)
    return priceChange(other.wage, record.wage, numbers);
  return record.type === 'settings' ? '' : RECORD_WORDS[record.type];
}

const priceChange = (from: Item['material'], to: Item['material'], numbers: NumberFormat): string =>
  t('settings.fromTo', { from: plainToLocal(from, numbers) || '–', to: plainToLocal(to, numbers) || '–' });

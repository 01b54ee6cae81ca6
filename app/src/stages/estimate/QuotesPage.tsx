import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { useSearchParams } from 'react-router';
import { quotesOf } from '@zest/core/estimate/quotes';
import { put, update } from '@zest/core/job/change';
import { removePackage } from '@zest/core/job/commands/removeWith';
import type { Id } from '@zest/core/job/id';
import { type Job, inOrder, orderAfter } from '@zest/core/job/job';
import type { Package } from '@zest/core/job/records/quote';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { IconAction } from '../../parts/IconAction.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { useOpenJob, useServices } from '../../stores/context.tsx';
import { EstimateTabs } from './EstimateTabs.tsx';
import { QuoteLines } from './QuoteLines.tsx';
import { Leveling } from './Leveling.tsx';
import { dayOf } from '../../platform/days.ts';
import { ListButton } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';
import { Empty } from '../../parts/Empty.tsx';
import { SectionOptions } from '../../figures/SectionOptions.tsx';

/** Prices that came in for the same work, side by side: what each includes, leaves out, and comes to leveled. */
export function QuotesPage() {
  const { job } = useOpenJob();
  const services = useServices();
  const settle = useSettle();
  const [params, setParams] = useSearchParams();
  const packages = inOrder(job.package.values());
  const chosen = job.package.get((params.get('package') ?? '') as Id<'package'>) ?? packages[0];
  /** At once, or what is done next would be done to the package that was shown before. */
  const show = (id: string): void => setParams({ package: id }, { flushSync: true });
  const add = (): void => {
    const id = services.makeId('package');
    const refused = settle(
      t('estimate.addAPackage'),
      put({
        type: 'package',
        id,
        name: t('estimate.package2', { place: job.package.size + 1 }),
        sectionId: null,
        order: orderAfter([...job.package.values(), ...job.line.values()]),
        kind: 'subcontract',
        by: 'sum',
        asks: [],
        lines: [],
        takenId: null,
      }),
    );
    if (refused === undefined) show(id);
    else tellProblem(refused);
  };
  return (
    <div className={layout.stage}>
      <div className={`${layout.bar} wraps`}>
        <EstimateTabs />
        <span className="grow" />
        <Button size="sm" onClick={add}>
          {t('estimate.addAPackage2')}
        </Button>
      </div>
      {chosen === undefined ? (
        <Empty
          title={t('estimate.noQuotesYet')}
          action={
            <Button size="sm" onClick={add}>
              {t('estimate.addTheFirstPackage')}
            </Button>
          }
        >
          {t('estimate.aPackageIsWorkThatSeveralCompanies')}
        </Empty>
      ) : (
        <div className={layout.split} style={{ gridTemplateColumns: '220px minmax(0, 1fr)' }}>
          <PackageList packages={packages} chosen={chosen} show={show} job={job} />
          <PackageView key={chosen.id} each={chosen} />
        </div>
      )}
    </div>
  );
}

interface PackageListProps {
  readonly packages: readonly Package[];
  readonly chosen: Package;
  readonly show: (id: string) => void;
  readonly job: Job;
}

function PackageList({ packages, chosen, show, job }: PackageListProps) {
  return (
    <nav className={`${layout.list} ${layout.scroll}`} aria-label={t('estimate.packages')}>
      {packages.map((each) => (
        <ListButton key={each.id} aria-current={each.id === chosen.id} onClick={() => show(each.id)}>
          <span className="cut">{each.name}</span>
          <small>
            {t('count.quote', { count: quotesOf(job, each.id).length })}
            {each.takenId === null ? t('estimate.noneTaken') : ''}
          </small>
        </ListButton>
      ))}
    </nav>
  );
}

function PackageView({ each }: { readonly each: Package }) {
  const { job } = useOpenJob();
  const services = useServices();
  const settle = useSettle();
  const quotes = quotesOf(job, each.id);
  const change = (changed: Partial<Package>): string | undefined =>
    settle(
      t('estimate.package', { name: each.name }),
      update(each, (now) => ({ ...now, ...changed })),
    );
  const addQuote = (): void => {
    const refused = settle(
      t('estimate.addAQuote'),
      put({
        type: 'quote',
        id: services.makeId('quote'),
        packageId: each.id,
        company: t('estimate.company', { place: quotes.length + 1 }),
        amount: '',
        date: dayOf(services.now()),
        validUntil: '',
        note: '',
        leftOut: {},
        adjustments: [],
        prices: {},
        order: orderAfter(quotes),
      }),
    );
    if (refused !== undefined) tellProblem(refused);
  };
  return (
    <div className={`${layout.scroll} ${styles.package}`}>
      <PackageHead each={each} change={change} job={job} addQuote={addQuote} settle={settle} />
      {each.by === 'lines' ? (
        <QuoteLines each={each} quotes={quotes} />
      ) : (
        <Leveling each={each} quotes={quotes} change={change} />
      )}
    </div>
  );
}

interface PackageHeadProps {
  readonly each: Package;
  readonly change: (changed: Partial<Package>) => string | undefined;
  readonly job: Job;
  readonly addQuote: () => void;
  readonly settle: ReturnType<typeof useSettle>;
}

function PackageHead({ each, change, job, addQuote, settle }: PackageHeadProps) {
  return (
    <div className={styles.packageHead}>
      <label>
        <span className="soft">{t('estimate.package3')}</span>
        <CommitInput
          label={t('estimate.nameOfThePackage')}
          value={each.name}
          onCommit={(name) => change({ name })}
        />
      </label>
      <label>
        <span className="soft">{t('estimate.section2')}</span>
        <Select
          value={each.sectionId ?? ''}
          onChange={(event) =>
            change({ sectionId: event.target.value === '' ? null : (event.target.value as Id<'section'>) })
          }
        >
          <option value="">{t('estimate.noSection')}</option>
          <SectionOptions sections={job.section.values()} />
        </Select>
      </label>
      <label>
        <span className="soft">{t('estimate.kindOfCost')}</span>
        <Select
          value={each.kind}
          onChange={(event) => change({ kind: event.target.value as Package['kind'] })}
        >
          <option value="subcontract">{t('estimate.subcontract')}</option>
          <option value="material">{t('estimate.material')}</option>
        </Select>
      </label>
      <label>
        <span className="soft">{t('estimate.priced')}</span>
        <Select value={each.by} onChange={(event) => change({ by: event.target.value as Package['by'] })}>
          <option value="sum">{t('estimate.asOneSum')}</option>
          <option value="lines">{t('estimate.lineByLine')}</option>
        </Select>
      </label>
      <span className="grow" />
      <Button size="sm" variant="outline" onClick={addQuote}>
        {t('estimate.addAQuote2')}
      </Button>
      <IconAction
        label={t('estimate.removePackage', { name: each.name })}
        icon={Trash2}
        onClick={() => {
          const refused = settle(t('estimate.removePackage2', { name: each.name }), removePackage(each.id));
          if (refused !== undefined) tellProblem(refused);
        }}
      />
    </div>
  );
}

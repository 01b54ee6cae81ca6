import { type Job, orderAfter, settingsOf } from '@zest/core/job/job';
import type { Services } from '../../platform/services.ts';
import { Button } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { sectionOfTrade } from '@zest/core/library/sectionOfTrade';
import type { LibraryAssembly } from '@zest/core/library/build';
import { applyFromLibrary, proposeAssemblies, tradeLibrary } from '@zest/core/library/tradeLibrary';
import { sayLibrary } from '../../messages/libraryText.ts';
import { type Command, put, sequence } from '@zest/core/job/change';
import type { Schedule } from '@zest/core/job/records/schedule';
import { COLOR_COUNT, type Scope } from '@zest/core/job/records/scope';
import { MARK_KINDS, type MarkKind } from '@zest/core/job/markKinds';
import { type RowScope, scopesOfRows } from '@zest/core/takeoff/scheduleScopes';
import { KIND_WORDS } from '../../messages/words.ts';
import { useFormats, useOpenJob, useServices } from '../../stores/context.tsx';
import { keyFor } from '@zest/core/job/keyFor';
import { takenKeys } from './newScope.ts';
import { Select } from '../../parts/fields.tsx';
import { listWith } from '../../messages/lists.ts';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';

interface MakeScopesProps {
  readonly draft: Schedule;
  readonly settle: (label: string, command: Command) => boolean;
  readonly onMade: () => void;
}

/** One scope a row, with the row's lengths as its properties, in one step. */
export function MakeScopes({ draft, settle, onMade }: MakeScopesProps) {
  const { job } = useOpenJob();
  const { numbers, display } = useFormats();
  const { makeId } = useServices();
  const [chosen, setKind] = useState<MarkKind | undefined>();
  const [nameColumn, setNameColumn] = useState(0);
  const names = new Set([...job.scope.values()].map(({ name }) => name));
  const wanted = scopesOfRows(draft, nameColumn, numbers, display.system).filter(
    ({ name }) => !names.has(name),
  );
  // Rows that say how many there are are things to count.
  const kind = chosen ?? (wanted.some(({ expected }) => expected !== undefined) ? 'count' : 'run');
  const proposed = useProposed(draft, kind, wanted);
  const [priceBy, setPriceBy] = useState('');
  const make = (): void => {
    const offer = proposed.find(({ name }) => name === priceBy);
    const sectionId = sectionOfTrade(job, offer?.trade);
    const scopes = scopesFrom(job, wanted, kind, makeId).map((scope) => ({ ...scope, sectionId }));
    const ids = scopes.map(({ id }) => id);
    const price = offer === undefined ? [] : [applyFromLibrary(offer, ids, makeId)];
    if (
      settle(
        t('measure.from', { scopes: t('count.scope', { count: scopes.length }), title: draft.title }),
        sequence(put(draft, ...scopes), ...price),
      )
    )
      onMade();
  };
  const [first] = wanted;
  return (
    <div className={`${layout.box} ${styles.scheduleScopes}`}>
      <span>{t('measure.makeAScopeOfEachRow')} </span>
      <Select
        aria-label={t('measure.kindOfTheScopes')}
        value={kind}
        onChange={(event) => setKind(event.target.value as MarkKind)}
      >
        {MARK_KINDS.map((each) => (
          <option key={each} value={each}>
            {KIND_WORDS[each].forMany}
          </option>
        ))}
      </Select>
      <NamedBy draft={draft} nameColumn={nameColumn} setNameColumn={setNameColumn} />
      <PricedBy proposed={proposed} priceBy={priceBy} setPriceBy={setPriceBy} />
      <Button size="xs" disabled={wanted.length === 0} onClick={make}>
        {wanted.length === 0
          ? t('measure.allAreThere')
          : t('measure.make', { scopes: t('count.scope', { count: wanted.length }) })}
      </Button>
      {first === undefined ? null : <TakenAlong first={first} wanted={wanted} />}
    </div>
  );
}

interface NamedByProps {
  readonly draft: Schedule;
  readonly nameColumn: number;
  readonly setNameColumn: (column: number) => void;
}

const NamedBy = ({ draft, nameColumn, setNameColumn }: NamedByProps) => (
  <>
    <span>{t('measure.namedBy')}</span>
    <Select
      aria-label={t('measure.columnThatNamesThem')}
      value={nameColumn}
      onChange={(event) => setNameColumn(Number(event.target.value))}
    >
      {draft.columns.map((name, index) => (
        <option key={index} value={index}>
          {name}
        </option>
      ))}
    </Select>
  </>
);

/** So many assemblies are proposed: more is the library itself. */
const PROPOSALS = 8;

/** Assemblies of the library that speak of what the schedule does. */
function useProposed(
  { title }: Schedule,
  kind: MarkKind,
  wanted: readonly RowScope[],
): readonly LibraryAssembly[] {
  const { job } = useOpenJob();
  const { unitSystem, documentLanguage } = settingsOf(job);
  const library = useMemo(
    () => tradeLibrary(unitSystem, sayLibrary(documentLanguage)),
    [unitSystem, documentLanguage],
  );
  const text = [title, ...wanted.map(({ name }) => name)].join(' ');
  return useMemo(() => proposeAssemblies(library, kind, text).slice(0, PROPOSALS), [library, kind, text]);
}

interface PricedByProps {
  readonly proposed: readonly LibraryAssembly[];
  readonly priceBy: string;
  readonly setPriceBy: (name: string) => void;
}

const PricedBy = ({ proposed, priceBy, setPriceBy }: PricedByProps) =>
  proposed.length === 0 ? null : (
    <>
      <span>{t('measure.pricedBy')}</span>
      <Select
        aria-label={t('measure.assemblyThatPricesThem')}
        value={priceBy}
        onChange={({ target }) => setPriceBy(target.value)}
      >
        <option value="">{t('measure.noAssemblyYet')}</option>
        {proposed.map(({ name, trade }) => (
          <option key={name} value={name}>
            {`${name} (${trade})`}
          </option>
        ))}
      </Select>
    </>
  );

interface TakenAlongProps {
  readonly first: RowScope;
  readonly wanted: readonly RowScope[];
}

/** What of the rows the scopes will carry. */
function TakenAlong({ first, wanted }: TakenAlongProps) {
  const carried = [
    ...first.properties.map(({ name }) => name.toLowerCase()),
    ...(wanted.some(({ expected }) => expected !== undefined) ? [t('measure.theNumberExpected')] : []),
    ...(wanted.some(({ location }) => location !== '') ? [t('measure.theirLocation')] : []),
  ];
  return carried.length === 0 ? null : (
    <span className="soft">
      {t('measure.with')} {listWith('and', carried)}
    </span>
  );
}

/** A scope for each row, with a key and a color of its own. */
function scopesFrom(
  job: Job,
  wanted: ReturnType<typeof scopesOfRows>,
  kind: MarkKind,
  makeId: Services['makeId'],
): readonly Scope[] {
  const keys = new Set(takenKeys(job));
  let order = orderAfter(job.scope.values());
  return wanted.map(({ name, properties, expected, location }, index): Scope => {
    const key = keyFor(name, keys);
    keys.add(key);
    order += 1;
    const color = (job.scope.size + index) % COLOR_COUNT;
    return {
      type: 'scope',
      id: makeId('scope'),
      key,
      name,
      kind,
      color,
      sectionId: null,
      order: order - 1,
      properties,
      ...(expected === undefined ? {} : { expected }),
      ...(location === '' ? {} : { location: location.slice(0, 200) }),
    };
  });
}

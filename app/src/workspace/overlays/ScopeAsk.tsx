import { useCallback, useEffect, useMemo, useRef } from 'react';
import { type Command, put, sequence } from '@zest/core/job/change';
import { applyAssembly } from '@zest/core/job/commands/uses';
import type { Assembly } from '@zest/core/job/records/assembly';
import { ownFitting } from '../../stages/measure/ownFitting.ts';
import { type Job, inOrder, settingsOf } from '@zest/core/job/job';
import type { MarkKind } from '@zest/core/job/markKinds';
import type { Scope } from '@zest/core/job/records/scope';
import { sectionOfTrade } from '@zest/core/library/sectionOfTrade';
import { applyFromLibrary, findAssemblies, tradeLibrary } from '@zest/core/library/tradeLibrary';
import { describeProblem } from '../../messages/describeProblem.ts';
import { sayLibrary } from '../../messages/libraryText.ts';
import { t } from '../../messages/t.ts';
import { namedOption } from '../../parts/namedOption.tsx';
import { SearchChoice, type SearchOption } from '../../parts/SearchChoice.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { namedScope } from '../../stages/measure/newScope.ts';
import { useJobActions, useOpenJob, useServices, useSetView, useView } from '../../stores/context.tsx';
import { toScreen } from '../camera.ts';
import type { Session } from '../session.ts';
import type { Viewport } from '../viewport.ts';
import { styles } from './styles.ts';

const LIMIT = 12;
/** How options tell what they are: a scope there is, an assembly a scope is made for, a name for a new one. */
const SCOPE = 'scope ';
const OWN = 'own ';
const LIBRARY = 'library ';
const NEW = 'new ';

interface ScopeAskProps {
  readonly session: Session;
  readonly viewport: Viewport;
}

/** Asks at the cursor what the pen measures: a scope there is, one made for an assembly, or one with a new name. */
export function ScopeAsk({ session, viewport }: ScopeAskProps) {
  const kind = useView((state) => state.scopeAsked);
  const tool = useView((state) => state.tool);
  if (kind === undefined || kind !== tool) return null;
  return <Asked key={kind} kind={kind} session={session} viewport={viewport} />;
}

function Asked({ kind, session, viewport }: ScopeAskProps & { readonly kind: MarkKind }) {
  const setView = useSetView();
  const place = usePlace(session, viewport);
  const find = useFind(kind);
  const choose = useChoose(kind);
  const close = useCallback((): void => setView({ scopeAsked: undefined }), [setView]);
  // Whoever begins to draw has answered: it goes to a new scope.
  useEffect(
    () =>
      session.store.subscribe(({ draft }) => {
        if (draft.strokes.length > 0) close();
      }),
    [session, close],
  );
  return (
    <div className={styles.scopeAsk} style={place} onPointerDown={(event) => event.stopPropagation()}>
      <b>{t('workspace.whatDoYouMeasure')}</b>
      <SearchChoice
        label={t('workspace.whatDoYouMeasure')}
        listLabel={t('workspace.scopesToChooseFrom')}
        placeholder={t('workspace.findAScopeOrNameANewOne')}
        value=""
        width={280}
        side="left"
        find={find}
        nothing=""
        inCell={{ first: '', onLeave: close }}
        onChoose={choose}
      />
    </div>
  );
}

/** Beside the pointer as it was when it was asked, and wholly in sight. */
function usePlace(session: Session, viewport: Viewport): { readonly left: number; readonly top: number } {
  const { pointer } = session.store.getState();
  const { camera, screen } = viewport.store.getState();
  const at = pointer === undefined ? { x: screen.width / 2 - 160, y: 60 } : toScreen(camera, pointer);
  const first = useRef({
    left: Math.max(8, Math.min(at.x + 18, screen.width - 312)),
    top: Math.max(8, Math.min(at.y + 18, screen.height - 300)),
  });
  return first.current;
}

const holdsWords = (name: string, text: string): boolean =>
  text
    .toLowerCase()
    .split(/\s+/)
    .filter(Boolean)
    .every((word) => name.toLowerCase().includes(word));

const scopesNamed = (job: Job, kind: MarkKind, text: string): readonly Scope[] =>
  inOrder(job.scope.values()).filter((scope) => scope.kind === kind && holdsWords(scope.name, text));

const useLibrary = () => {
  const { job } = useOpenJob();
  const { unitSystem, documentLanguage } = settingsOf(job);
  return useMemo(
    () => tradeLibrary(unitSystem, sayLibrary(documentLanguage)),
    [unitSystem, documentLanguage],
  );
};

/** Scopes first, then a new name as it is typed, then what the job and the library have to price the kind. */
function useFind(kind: MarkKind): (text: string) => readonly SearchOption[] {
  const { job } = useOpenJob();
  const library = useLibrary();
  return useCallback(
    (text: string): readonly SearchOption[] => {
      const typed = text.trim();
      const scopes = scopesNamed(job, kind, typed);
      const isKnown = scopes.some(({ name }) => name.toLowerCase() === typed.toLowerCase());
      const isNew = typed !== '' && !isKnown;
      const own = ownFitting(job, kind, typed);
      const names = new Set([...job.assembly.values()].map(({ name }) => name));
      const shipped = findAssemblies(library, kind, typed).filter(({ name }) => !names.has(name));
      const priced = [
        ...own.map(({ id, name }) => ({
          name,
          of: namedOption(`${OWN}${id}`, name, t('measure.inThisJob')),
        })),
        ...shipped.map(({ name, trade }) => ({ name, of: namedOption(`${LIBRARY}${name}`, name, trade) })),
      ];
      // What is called so before a new name, what only speaks of it after.
      const isCalled = ({ name }: { readonly name: string }): boolean => holdsWords(name, typed);
      return [
        ...scopes.map(({ id, name }) => namedOption(`${SCOPE}${id}`, name, t('workspace.aScopeThere'))),
        ...priced.filter(isCalled).map(({ of }) => of),
        ...(isNew ? [namedOption(`${NEW}${typed}`, typed, t('workspace.aNewScope'))] : []),
        ...priced.filter((each) => !isCalled(each)).map(({ of }) => of),
      ].slice(0, LIMIT);
    },
    [job, kind, library],
  );
}

/** Takes what was chosen into the hand; a scope for an assembly comes with it, in one step. */
function useChoose(kind: MarkKind): (id: string) => void {
  const { job } = useOpenJob();
  const { makeId } = useServices();
  const actions = useJobActions();
  const setView = useSetView();
  const library = useLibrary();
  const applyTo = (id: string, name: string, scopeId: Scope['id']): readonly Command[] => {
    if (id.startsWith(OWN)) return [applyAssembly(id.slice(OWN.length) as Assembly['id'], [scopeId], makeId)];
    const shipped = id.startsWith(LIBRARY) ? library.find((each) => each.name === name) : undefined;
    return shipped === undefined ? [] : [applyFromLibrary(shipped, [scopeId], makeId)];
  };
  return (id) => {
    if (id.startsWith(SCOPE)) return setView({ penScope: id.slice(SCOPE.length), scopeAsked: undefined });
    const own = job.assembly.get(id.slice(OWN.length) as Assembly['id']);
    const name = own?.name ?? id.slice(id.startsWith(NEW) ? NEW.length : LIBRARY.length);
    const trade = id.startsWith(LIBRARY) ? library.find((each) => each.name === name)?.trade : undefined;
    const scope = { ...namedScope(job, kind, name, makeId), sectionId: sectionOfTrade(job, trade) };
    const command = sequence(put(scope), ...applyTo(id, name, scope.id));
    const done = actions.transact(t('workspace.newScopeNamed', { name }), command);
    if (!done.ok) return tellProblem(describeProblem(done.problem));
    setView({ penScope: scope.id, scopeAsked: undefined });
  };
}

import { type KeyboardEvent, useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { useJobActions, useOpenJob, useSetView, useView } from '../stores/context.tsx';
import { runAction, useActions } from './useActions.ts';
import { TextInput } from '../parts/fields.tsx';
import { listLines } from '@zest/core/estimate/lines';
import { nameOfLine } from '@zest/core/estimate/lineSources';
import { type Job, inOrder } from '@zest/core/job/job';
import type { LineKey } from '@zest/core/job/lineKey';
import { useSheetSearch } from '../stages/sheets/useSheetSearch.ts';
import { HELP } from './helpWords.ts';
import { OptionList, comboboxOf, useOptionPlace } from '../parts/options.tsx';
import { t } from '../messages/t.ts';
import { styles } from './styles.ts';
import { Kbd } from '../parts/Kbd.tsx';

interface Found {
  readonly id: string;
  readonly label: string;
  /** More words it is found by. */
  readonly words?: string;
  readonly kind: string;
  readonly key?: string | undefined;
  readonly run: () => void;
}

const LIMIT = 40;

/** Everything by name: sheets, scopes, assemblies, items, and what can be done, with its key. */
export function Finder() {
  const open = useView((state) => state.finderOpen);
  return open ? <FinderBox /> : null;
}

const holds = ({ label, words = '' }: Found, wanted: readonly string[]): boolean => {
  const plain = `${label} ${words}`.toLowerCase();
  return wanted.every((word) => plain.includes(word));
};

const LIST = 'finder-list';

function FinderBox() {
  const setView = useSetView();
  const [text, setText] = useState('');
  const all = useFindable();
  const before = useRef(document.activeElement);
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => input.current?.focus(), []);
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const named = all.filter((each) => holds(each, words));
  const found = [...named.slice(0, LIMIT), ...useOnSheets(text)].slice(0, LIMIT);
  const options = found.map((each) => ({ id: each.id, content: <FoundContent found={each} /> }));
  const { at, goTo, step } = useOptionPlace(found.length);
  const close = (): void => {
    setView({ finderOpen: false });
    if (before.current instanceof HTMLElement) before.current.focus();
  };
  const choose = (id: string | undefined): void => {
    close();
    found.find((each) => each.id === id)?.run();
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.key === 'Enter') choose(found[at]?.id);
    else if (event.key === 'Escape') close();
    else if (!step(event)) return;
    event.stopPropagation();
  };
  return (
    <div className={styles.finder} onMouseDown={(event) => event.target === event.currentTarget && close()}>
      <div className={styles.finderBox} role="dialog" aria-label={t('frame.findAnything')} aria-modal="true">
        <TextInput
          look="cell"
          ref={input}
          {...comboboxOf(LIST, options, at, true)}
          aria-label={t('frame.findAnything')}
          placeholder={t('frame.aSheetAScopeAnItemOr')}
          value={text}
          onChange={(event) => {
            setText(event.target.value);
            goTo(0);
          }}
          onKeyDown={onKeyDown}
        />
        <OptionList
          id={LIST}
          label={t('frame.found')}
          options={options}
          at={at}
          onTake={choose}
          onHover={goTo}
        />
        {found.length === 0 ? (
          <p className="soft" style={{ padding: '10px 16px', margin: 0 }}>
            {t('frame.noMatches')}
          </p>
        ) : null}
      </div>
    </div>
  );
}

const FoundContent = ({ found: { label, kind, key } }: { readonly found: Found }) => (
  <>
    <span className="cut">{label}</span>
    <span className="kind">{kind}</span>
    {key === undefined ? null : <Kbd>{key}</Kbd>}
  </>
);

/** Places by what people ask for. */
const helpful = (go: (path: string) => () => void): readonly Found[] =>
  HELP.map(({ label, words, path }) => ({
    id: `help ${label}`,
    label,
    words,
    kind: t('frame.kindGoTo'),
    run: go(path),
  }));

const linesOf = (job: Job, open: (key: LineKey) => void): readonly Found[] =>
  [...listLines(job)].map((line) => ({
    id: `line ${line.key}`,
    label: nameOfLine(line),
    kind: t('frame.kindLine'),
    run: () => open(line.key),
  }));

/** So many letters before the sheets are read: one or two are on every sheet. */
const LETTERS = 3;

/** What is printed on the sheets; choosing it opens the sheet with the text pointed out. */
function useOnSheets(text: string): readonly Found[] {
  const { job, jobId } = useOpenJob();
  const setView = useSetView();
  const navigate = useNavigate();
  const sheets = useMemo(() => inOrder(job.sheet.values()), [job.sheet]);
  const asked = text.trim().length < LETTERS ? '' : text.trim();
  const { hits } = useSheetSearch(sheets, asked);
  return sheets.flatMap((sheet): readonly Found[] => {
    const hit = hits.get(sheet.id);
    if (hit === undefined) return [];
    return [
      {
        id: `text ${sheet.id}`,
        label: t('frame.textOnSheet', { text: hit, sheet: `${sheet.number} ${sheet.title}`.trim() }),
        kind: t('frame.kindText'),
        run: () => {
          setView({ soughtText: asked });
          void navigate(`/job/${jobId}/measure/${encodeURIComponent(sheet.id)}`);
        },
      },
    ];
  });
}

function useFindable(): readonly Found[] {
  const { job, jobId } = useOpenJob();
  const actions = useActions();
  const jobActions = useJobActions();
  const setView = useSetView();
  const navigate = useNavigate();
  return useMemo(() => {
    const go = (path: string) => () => void navigate(`/job/${jobId}/${path}`);
    const things: Found[] = [
      ...[...job.sheet.values()].map((sheet) => ({
        id: sheet.id,
        label: `${sheet.number} ${sheet.title}`,
        kind: t('frame.kindSheet'),
        run: go(`measure/${encodeURIComponent(sheet.id)}`),
      })),
      ...[...job.scope.values()].map((scope) => ({
        id: scope.id,
        label: scope.name,
        kind: t('frame.kindScope'),
        run: () => {
          setView({ penScope: scope.id });
          jobActions.select({ type: 'scope', id: scope.id });
          go('measure')();
        },
      })),
      ...[...job.assembly.values()].map((assembly) => ({
        id: assembly.id,
        label: assembly.name,
        kind: t('frame.kindAssembly'),
        run: go(`assemblies/${encodeURIComponent(assembly.id)}`),
      })),
      ...linesOf(job, (key) => {
        jobActions.select({ type: 'line', key });
        setView({ estimateSide: 'line' });
        go('estimate')();
      }),
      ...helpful(go),
      ...[...job.item.values()].map((item) => ({
        id: item.id,
        label: `${item.code} ${item.description}`,
        words: `${item.supplier} ${item.tags ?? ''}`,
        kind: t('frame.kindPrice'),
        run: go(`prices?item=${encodeURIComponent(item.id)}`),
      })),
    ];
    const doable = actions
      .filter(({ id }) => id !== 'find')
      .map((action): Found => ({
        id: action.id,
        label: action.label,
        kind: action.when?.() ?? t('frame.kindDo'),
        key: action.key,
        run: () => runAction(action),
      }));
    return [...doable, ...things];
  }, [job, jobId, actions, jobActions, setView, navigate]);
}

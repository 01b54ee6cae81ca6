import { X } from 'lucide-react';
import { evaluateEntry } from '@zest/core/formula/evaluateEntry';
import { put, remove } from '@zest/core/job/change';
import { ROOF_EDGES, type Mark, type RoofEdge } from '@zest/core/job/records/mark';
import type { Opening } from '@zest/core/job/records/opening';
import { piecesOf, shapeCrossesItself } from '@zest/core/takeoff/measureMark';
import { scaleOfMark } from '@zest/core/job/scaleAt';
import { parsePitch } from '@zest/core/takeoff/roof';
import { LENGTH } from '@zest/core/units/dimension';
import { findDefaultUnit, formatQuantity, joinFigure } from '@zest/core/units/format';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { describeEntry } from '../../messages/describeProblem.ts';
import { MEASURE_WORDS } from '../../messages/words.ts';
import { useJobNow, useFormats, useJobActions, useOpenJob } from '../../stores/context.tsx';
import type { Handle } from '../tools/edit.ts';
import { IconButton } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';

/** What belongs to one mark alone: the pitch and edges of a slope, tails and rises of a run, its openings. */
export function MarkDetails({ mark, vertex }: { readonly mark: Mark; readonly vertex: Handle | undefined }) {
  const { figures } = useOpenJob();
  const openings = figures.openingsOf(mark.id);
  return (
    <>
      {mark.kind === 'slope' ? <SlopeDetails mark={mark} /> : null}
      {mark.kind === 'run' ? <RunDetails mark={mark} vertex={vertex} /> : null}
      {shapeCrossesItself(mark) ? (
        <div className="warn">{t('workspace.theEdgeCrossesItselfSoPartsEnclosed')}</div>
      ) : null}
      {openings.map((opening) => (
        <OpeningRow key={opening.id} opening={opening} />
      ))}
    </>
  );
}

/** Reads and writes lengths as the job does. */
function useLengths() {
  const { numbers, display } = useFormats();
  const unit = findDefaultUnit(LENGTH, display.system);
  return {
    write: (lengthM: number): string => joinFigure(formatQuantity(lengthM, LENGTH, display)),
    read: (text: string) => evaluateEntry(text, LENGTH, unit, numbers),
  };
}

interface LengthFieldProps {
  readonly label: string;
  readonly valueM: number;
  readonly onCommit: (lengthM: number) => string | undefined;
}

function LengthField({ label, valueM, onCommit }: LengthFieldProps) {
  const { write, read } = useLengths();
  return (
    <CommitInput
      label={label}
      align="end"
      style={{ width: 84 }}
      value={valueM === 0 ? '' : write(valueM)}
      placeholder={t('workspace.none')}
      onCommit={(text) => {
        if (text.trim() === '') return onCommit(0);
        const entry = read(text);
        return entry.ok ? onCommit(entry.value) : describeEntry(entry.problem);
      }}
    />
  );
}

function useChange(): (label: string, mark: Mark | Opening) => string | undefined {
  const settle = useSettle();
  return (label, record) => {
    return settle(label, put(record));
  };
}

function RunDetails({ mark, vertex }: { readonly mark: Mark; readonly vertex: Handle | undefined }) {
  const change = useChange();
  const [start, end] = mark.tailsM ?? [0, 0];
  const setTails = (tailsM: readonly [number, number]): string | undefined =>
    change(t('workspace.endAllowanceOfARun'), { ...mark, tailsM });
  const at = vertex === undefined || vertex.middle ? undefined : mark.strokes[vertex.stroke]?.[vertex.index];
  const setRise = (riseM: number): string | undefined => {
    const strokes = mark.strokes.map((stroke, i) =>
      stroke.map((corner, index) => {
        if (i !== vertex?.stroke || index !== vertex.index) return corner;
        const { riseM: _before, ...flat } = corner;
        return riseM === 0 ? flat : { ...flat, riseM };
      }),
    );
    return change(t('workspace.riseAtAVertex'), { ...mark, strokes });
  };
  return (
    <div className={styles.markBarRow}>
      <span className="soft">{t('workspace.endAllowanceAtTheStart')}</span>
      <LengthField
        label={t('workspace.endAllowanceAtTheStart2')}
        valueM={start}
        onCommit={(value) => setTails([value, end])}
      />
      <span className="soft">{t('workspace.atTheEnd')}</span>
      <LengthField
        label={t('workspace.endAllowanceAtTheEnd')}
        valueM={end}
        onCommit={(value) => setTails([start, value])}
      />
      {at === undefined ? null : (
        <>
          <span className="soft">{t('workspace.riseAtTheVertex')}</span>
          <LengthField label={t('workspace.riseAtTheVertex2')} valueM={at.riseM ?? 0} onCommit={setRise} />
        </>
      )}
    </div>
  );
}

function SlopeDetails({ mark }: { readonly mark: Mark }) {
  const { job } = useOpenJob();
  const change = useChange();
  const jobNow = useJobNow();
  const { write } = useLengths();
  const scale = scaleOfMark(job, mark);
  const slope = mark.slope ?? { pitch: '', edges: [] };
  const edges = mark.strokes[0] ?? [];
  const lengths = scale === undefined ? [] : piecesOf(mark, scale).filter(({ stroke }) => stroke === 0);
  const setEdge = (index: number, edge: RoofEdge | null): void => {
    const now = jobNow().mark.get(mark.id) ?? mark;
    const told = now.slope ?? slope;
    void change(t('workspace.edgeOfARoofSlope'), {
      ...now,
      slope: { ...told, edges: edges.map((_, i) => (i === index ? edge : (told.edges[i] ?? null))) },
    });
  };
  return (
    <>
      <PitchField slope={slope} change={change} mark={mark} />
      <div className={styles.markBarEdges}>
        {edges.map((_, index) => (
          <label key={index}>
            <span>
              {index + 1}{' '}
              <span className="soft">
                {lengths[index] === undefined ? '' : write(lengths[index].lengthM)}
              </span>
            </span>
            <Select
              aria-label={t('workspace.edge', { place: index + 1 })}
              value={slope.edges[index] ?? ''}
              onChange={(event) =>
                setEdge(index, event.target.value === '' ? null : (event.target.value as RoofEdge))
              }
            >
              <option value="">{t('workspace.notSet')}</option>
              {ROOF_EDGES.map((edge) => (
                <option key={edge} value={edge}>
                  {MEASURE_WORDS[edge]}
                </option>
              ))}
            </Select>
          </label>
        ))}
      </div>
    </>
  );
}

interface PitchFieldProps {
  readonly slope: Readonly<{
    pitch: string;
    edges: readonly ('eave' | 'rake' | 'ridge' | 'hip' | 'valley' | 'wall' | null)[];
  }>;
  readonly change: ReturnType<typeof useChange>;
  readonly mark: Mark;
}

function PitchField({ slope, change, mark }: PitchFieldProps) {
  return (
    <div className={styles.markBarRow}>
      <span className="soft">{t('workspace.pitch')}</span>
      <CommitInput
        label={t('workspace.pitch2')}
        style={{ width: 84 }}
        placeholder="6/12, 30 %, 27°"
        value={slope.pitch}
        onCommit={(pitch) =>
          parsePitch(pitch) === undefined
            ? t('workspace.typeAPitchSuchAs612')
            : change(t('workspace.pitchOfARoofSlope'), { ...mark, slope: { ...slope, pitch } })
        }
      />
    </div>
  );
}

function OpeningRow({ opening }: { readonly opening: Opening }) {
  const { job } = useOpenJob();
  const actions = useJobActions();
  const change = useChange();
  const name =
    opening.scopeId === null
      ? t('workspace.opening')
      : (job.scope.get(opening.scopeId)?.name ?? t('workspace.opening'));
  return (
    <div className={styles.markBarRow}>
      <span className="cut" style={{ maxWidth: 130 }}>
        {name}
      </span>
      <CommitInput
        label={t('workspace.tagOfTheOpening', { name })}
        style={{ width: 62 }}
        placeholder={t('workspace.tag')}
        value={opening.tag}
        onCommit={(tag) => change(t('workspace.tagOfAnOpening'), { ...opening, tag })}
      />
      <LengthField
        label={t('workspace.widthOfTheOpening')}
        valueM={opening.widthM}
        onCommit={(widthM) => change(t('workspace.widthOfAnOpening'), { ...opening, widthM })}
      />
      <span className="soft">{t('workspace.by2')}</span>
      <LengthField
        label={t('workspace.heightOfTheOpening')}
        valueM={opening.heightM}
        onCommit={(heightM) => change(t('workspace.heightOfAnOpening'), { ...opening, heightM })}
      />
      <IconButton
        aria-label={t('workspace.removeTheOpening', { tag: opening.tag })}
        onClick={() => actions.transact(t('workspace.removeAnOpening'), remove(opening.id))}
      >
        <X size={13} />
      </IconButton>
    </div>
  );
}

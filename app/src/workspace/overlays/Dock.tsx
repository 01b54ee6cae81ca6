import type { OpeningRow } from '@zest/core/takeoff/openingRows';
import { LENGTH } from '@zest/core/units/dimension';
import { formatQuantity, joinFigure } from '@zest/core/units/format';
import { useFormats, useOpenJob, useSetView, useView } from '../../stores/context.tsx';
import type { Tool } from '../../stores/viewStore.ts';
import { type Form, currentStroke, formsOf } from '../tools/draw.ts';
import { openingRows } from '../drawing.ts';
import type { Pens } from '../usePens.ts';
import { SheetMenu } from './SheetMenu.tsx';

const PENS: readonly (readonly [tool: Tool, name: string, key: string])[] = [
  ['select', 'Select', 'V'],
  ['run', 'Run', 'L'],
  ['area', 'Area', 'A'],
  ['count', 'Count', 'C'],
  ['slope', 'Roof slope', 'R'],
  ['opening', 'Opening', 'O'],
];

const FORMS: Readonly<Record<Form, readonly [name: string, key: string]>> = {
  line: ['Straight', ''],
  arc: ['Arc', 'K'],
  route: ['Square route', 'G'],
  box: ['Box', 'E'],
  slant: ['Turned box', 'W'],
  circle: ['Circle', 'Q'],
};

/** Which row of a schedule the next opening is of; it goes on by itself as they are placed. */
function OpeningRows() {
  const { job } = useOpenJob();
  const row = useView((state) => state.openingRow);
  const setView = useSetView();
  const { display } = useFormats();
  const rows = openingRows(job);
  if (rows.length === 0) return null;
  const used = new Set([...job.opening.values()].map(({ tag }) => tag));
  const write = (lengthM: number): string => joinFigure(formatQuantity(lengthM, LENGTH, display));
  const keyOf = ({ scheduleId, tag }: OpeningRow): string => `${scheduleId} ${tag}`;
  return (
    <select
      className="dock-form"
      aria-label="Row of a schedule for the next opening"
      style={{ width: 150 }}
      value={row === undefined ? '' : keyOf(row)}
      onChange={(event) => setView({ openingRow: rows.find((each) => keyOf(each) === event.target.value) })}
    >
      <option value="">size of the count</option>
      {rows.map((each) => (
        <option key={keyOf(each)} value={keyOf(each)}>
          {each.tag} {write(each.widthM)} by {write(each.heightM)}
          {used.has(each.tag) ? ', placed' : ''}
        </option>
      ))}
    </select>
  );
}

/** The few modes of the pen, near the hand. */
export function Dock({ pens }: { readonly pens: Pens }) {
  const setView = useSetView();
  const drawing = pens.draft.strokes.length > 0;
  const { tool: now } = pens;
  const kind = now === 'run' || now === 'area' || now === 'slope' ? now : undefined;
  return (
    <div className="dock" role="toolbar" aria-label="Pens">
      {PENS.map(([tool, name, key]) => (
        <button key={tool} type="button" aria-pressed={pens.tool === tool} onClick={() => setView({ tool })}>
          {name} <kbd>{key}</kbd>
        </button>
      ))}
      <hr />
      {kind !== undefined ? (
        <>
          <select
            className="dock-form"
            aria-label="How the next piece is drawn"
            value={pens.draft.form}
            onChange={(event) => pens.setForm(event.target.value as Form)}
          >
            {formsOf(kind).map((form) => (
              <option key={form} value={form}>
                {FORMS[form].filter(Boolean).join('  ')}
              </option>
            ))}
          </select>
          <button type="button" disabled={currentStroke(pens.draft).length === 0} onClick={pens.lift}>
            Leave a gap <kbd>.</kbd>
          </button>
          <button type="button" disabled={!drawing} onClick={pens.complete}>
            End <kbd>Enter</kbd>
          </button>
        </>
      ) : (
        <>
          <button
            type="button"
            aria-pressed={pens.tool === 'scale'}
            onClick={() => setView({ tool: 'scale' })}
          >
            Set scale <kbd>S</kbd>
          </button>
          <button
            type="button"
            aria-pressed={pens.tool === 'check'}
            onClick={() => setView({ tool: 'check' })}
          >
            Measure back <kbd>B</kbd>
          </button>
          {now === 'opening' ? <OpeningRows /> : null}
          <SheetMenu />
        </>
      )}
    </div>
  );
}

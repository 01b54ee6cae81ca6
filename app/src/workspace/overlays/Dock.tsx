import { useSetView } from '../../stores/context.tsx';
import type { Tool } from '../../stores/viewStore.ts';
import { type Form, currentStroke, formsOf } from '../tools/draw.ts';
import type { Pens } from '../usePens.ts';

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
            Lift the pen <kbd>.</kbd>
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
        </>
      )}
    </div>
  );
}

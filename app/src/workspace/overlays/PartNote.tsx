import { Button } from '@chakra-ui/react';
import { X } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { Bounds } from '@zest/core/geometry/bounds';
import { put } from '@zest/core/job/change';
import { SCALE_AREA_LIMIT, type ScaleArea, type Sheet } from '@zest/core/job/records/sheet';
import { parseScaleRatio, scaleOfRatio } from '@zest/core/takeoff/scale';
import type { SheetText } from '@zest/core/takeoff/sheetText';
import { describeProblem } from '../../messages/describeProblem.ts';
import { createSheetFiles } from '../../platform/sheetFiles.ts';
import { useJobActions, useOpenJob, useServices, useSetView, useView } from '../../stores/context.tsx';

/** A scale and a name that are printed in or just under a box: what a detail's title says. */
function printedIn(texts: readonly SheetText[], { minX, minY, maxX, maxY }: Bounds) {
  const under = texts.filter(({ x, y }) => x >= minX && x <= maxX && y >= minY && y <= maxY + 40);
  const scale = under.find(({ text }) => parseScaleRatio(text).ok);
  const title = under
    .filter(
      ({ text, y }) =>
        scale !== undefined && text !== scale.text && Math.abs(y - scale.y) < 30 && text.length > 2,
    )
    .sort((a, b) => b.height - a.height)[0];
  return { scale: scale?.text ?? '', name: title?.text.slice(0, 200) ?? '' };
}

/** Asks for the scale of a part of the sheet, such as a detail; lists those there are. */
export function PartNote({ sheet }: { readonly sheet: Sheet }) {
  const part = useView((state) => state.part);
  const setView = useSetView();
  const actions = useJobActions();
  const areas = sheet.scaleAreas ?? [];
  return (
    <div className="desk-note" role="note">
      <b>Scale of a part.</b> Drag a box around a detail that is drawn at another scale. What begins inside it
      is measured by that scale.
      {areas.map(({ name, scale }, index) => (
        <div key={index} className="row">
          <span className="cut" style={{ flex: 1 }}>
            {name || 'Part'}: {scale.source.by === 'ratio' ? scale.source.text : 'measured'}
          </span>
          <button
            type="button"
            className="icon-button"
            aria-label={`Remove the scale of ${name || 'the part'}`}
            onClick={() =>
              actions.transact(
                'remove the scale of a part',
                put({ ...sheet, scaleAreas: areas.filter((_, at) => at !== index) }),
              )
            }
          >
            <X size={13} />
          </button>
        </div>
      ))}
      {part === undefined ? null : (
        <PartForm key={`${part.minX} ${part.minY}`} sheet={sheet} part={part} areas={areas} />
      )}
      <div className="row">
        <Button size="xs" variant="outline" onClick={() => setView({ tool: 'select', part: undefined })}>
          Done
        </Button>
      </div>
    </div>
  );
}

interface PartFormProps {
  readonly sheet: Sheet;
  readonly part: Bounds;
  readonly areas: readonly ScaleArea[];
}

function PartForm({ sheet, part, areas }: PartFormProps) {
  const services = useServices();
  const { jobId } = useOpenJob();
  const actions = useJobActions();
  const setView = useSetView();
  const [name, setName] = useState('');
  const [text, setText] = useState('');
  const [refusal, setRefusal] = useState<string | undefined>();
  useEffect(() => {
    let gone = false;
    createSheetFiles(services, jobId)
      .texts(sheet)
      .then(
        (texts) => {
          const printed = printedIn(texts, part);
          if (gone) return;
          // What was typed meanwhile is not written over.
          setText((typed) => typed || printed.scale);
          setName((typed) => typed || printed.name);
        },
        () => undefined,
      );
    return () => {
      gone = true;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [services, jobId, sheet.id, part]);
  const submit = (): void => {
    const ratio = parseScaleRatio(text);
    if (!ratio.ok) return setRefusal(describeProblem(ratio.problem));
    if (areas.length >= SCALE_AREA_LIMIT) return setRefusal(`A sheet holds up to ${SCALE_AREA_LIMIT} parts.`);
    const area: ScaleArea = {
      name: name.trim(),
      x: part.minX,
      y: part.minY,
      width: Math.max(1, part.maxX - part.minX),
      height: Math.max(1, part.maxY - part.minY),
      scale: { ...scaleOfRatio(ratio.value), source: { by: 'ratio', text: text.trim() } },
    };
    const done = actions.transact('scale of a part', put({ ...sheet, scaleAreas: [...areas, area] }));
    if (!done.ok) return setRefusal(describeProblem(done.problem));
    setView({ part: undefined });
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <label>
        Its name
        <input
          className="input"
          value={name}
          placeholder="Footing"
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <label>
        Its scale
        <input
          className="input"
          autoFocus
          value={text}
          placeholder={`3/4" = 1'-0", 1:20`}
          aria-invalid={refusal !== undefined}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      {refusal === undefined ? null : (
        <div className="field-error" role="alert">
          {refusal}
        </div>
      )}
      <div className="row">
        <Button size="xs" type="submit">
          Set its scale
        </Button>
        <Button size="xs" variant="outline" onClick={() => setView({ part: undefined })}>
          Another box
        </Button>
      </div>
    </form>
  );
}

import { Button } from '@chakra-ui/react';
import { X } from 'lucide-react';
import { useState } from 'react';
import type { Bounds } from '@zest/core/geometry/bounds';
import { put } from '@zest/core/job/change';
import { SCALE_AREA_LIMIT, type ScaleArea, type Sheet } from '@zest/core/job/records/sheet';
import { parseScaleRatio, scaleOfRatio } from '@zest/core/takeoff/scale';
import { titleOfPart } from '@zest/core/takeoff/sheetText';
import { describeProblem } from '../../messages/describeProblem.ts';
import { useSheetTexts } from '../../platform/useSheetTexts.ts';
import { useJobActions, useSetView, useView } from '../../stores/context.tsx';
import { IconButton } from '../../parts/buttons.tsx';
import { TextInput } from '../../parts/fields.tsx';

/** Asks for the scale of a part of the sheet, such as a detail; lists those there are. */
export function PartNote({ sheet }: { readonly sheet: Sheet }) {
  const part = useView((state) => state.part);
  const setView = useSetView();
  const actions = useJobActions();
  const areas = sheet.scaleAreas ?? [];
  return (
    <div className="desk-note" role="note">
      <b>Scale of a part.</b> Drag a box around a detail drawn at another scale. Anything that starts inside
      it is measured at that scale.
      {areas.map(({ name, scale }, index) => (
        <div key={index} className="row">
          <span className="cut" style={{ flex: 1 }}>
            {name || 'Part'}: {scale.source.by === 'ratio' ? scale.source.text : 'measured'}
          </span>
          <IconButton
            aria-label={`Remove the scale of ${name || 'the part'}`}
            onClick={() =>
              actions.transact(
                'remove the scale of a part',
                put({ ...sheet, scaleAreas: areas.filter((_, at) => at !== index) }),
              )
            }
          >
            <X size={13} />
          </IconButton>
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
  const actions = useJobActions();
  const setView = useSetView();
  // What the drawing says is offered until something is typed.
  const [name, setName] = useState<string | undefined>();
  const [text, setText] = useState<string | undefined>();
  const [refusal, setRefusal] = useState<string | undefined>();
  const printed = titleOfPart(useSheetTexts(sheet, true), part);
  const [shownName, shownScale] = [name ?? printed.name, text ?? printed.scale];
  const submit = (): void => {
    const ratio = parseScaleRatio(shownScale);
    if (!ratio.ok) return setRefusal(describeProblem(ratio.problem));
    if (areas.length >= SCALE_AREA_LIMIT) return setRefusal(`A sheet holds up to ${SCALE_AREA_LIMIT} parts.`);
    const area: ScaleArea = {
      name: shownName.trim(),
      x: part.minX,
      y: part.minY,
      width: Math.max(1, part.maxX - part.minX),
      height: Math.max(1, part.maxY - part.minY),
      scale: { ...scaleOfRatio(ratio.value), source: { by: 'ratio', text: shownScale.trim() } },
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
        <TextInput
          value={shownName}
          placeholder="Footing"
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <label>
        Its scale
        <TextInput
          autoFocus
          value={shownScale}
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

import { Button } from '@chakra-ui/react';
import { X } from 'lucide-react';
import { type Dispatch, type SetStateAction, useState } from 'react';
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
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import { Refusal } from '../../parts/Refusal.tsx';

/** Asks for the scale of a part of the sheet, such as a detail; lists those there are. */
export function PartNote({ sheet }: { readonly sheet: Sheet }) {
  const part = useView((state) => state.part);
  const setView = useSetView();
  const actions = useJobActions();
  const areas = sheet.scaleAreas ?? [];
  return (
    <div className={styles.deskNote} role="note">
      <b>{t('workspace.scaleOfAPart')}</b> {t('workspace.dragABoxAroundADetailDrawn')}
      {areas.map(({ name, scale }, index) => (
        <div key={index} className="row">
          <span className="cut" style={{ flex: 1 }}>
            {name || t('workspace.part')}:{' '}
            {scale.source.by === 'ratio' ? scale.source.text : t('workspace.measured2')}
          </span>
          <IconButton
            aria-label={t('workspace.removeTheScaleOf', { name: name || t('workspace.thePart') })}
            onClick={() =>
              actions.transact(
                t('workspace.removeTheScaleOfAPart'),
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
          {t('workspace.done')}
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
    if (areas.length >= SCALE_AREA_LIMIT)
      return setRefusal(t('workspace.aSheetHoldsUpToParts', { scalearealimit: SCALE_AREA_LIMIT }));
    const area: ScaleArea = {
      name: shownName.trim(),
      x: part.minX,
      y: part.minY,
      width: Math.max(1, part.maxX - part.minX),
      height: Math.max(1, part.maxY - part.minY),
      scale: { ...scaleOfRatio(ratio.value), source: { by: 'ratio', text: shownScale.trim() } },
    };
    const done = actions.transact(
      t('workspace.scaleOfAPart2'),
      put({ ...sheet, scaleAreas: [...areas, area] }),
    );
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
      <PartFields
        shownName={shownName}
        setName={setName}
        shownScale={shownScale}
        refusal={refusal}
        setText={setText}
      />
      <Refusal>{refusal}</Refusal>
      <div className="row">
        <Button size="xs" type="submit">
          {t('workspace.setItsScale')}
        </Button>
        <Button size="xs" variant="outline" onClick={() => setView({ part: undefined })}>
          {t('workspace.anotherBox')}
        </Button>
      </div>
    </form>
  );
}

interface PartFieldsProps {
  readonly shownName: string;
  readonly setName: Dispatch<SetStateAction<string | undefined>>;
  readonly shownScale: string;
  readonly refusal: string | undefined;
  readonly setText: Dispatch<SetStateAction<string | undefined>>;
}

function PartFields({ shownName, setName, shownScale, refusal, setText }: PartFieldsProps) {
  return (
    <>
      <label>
        {t('workspace.itsName')}
        <TextInput
          value={shownName}
          placeholder={t('workspace.footing')}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <label>
        {t('workspace.itsScale')}
        <TextInput
          autoFocus
          value={shownScale}
          placeholder={`3/4" = 1'-0", 1:20`}
          aria-invalid={refusal !== undefined}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
    </>
  );
}

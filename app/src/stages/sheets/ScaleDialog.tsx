import { Button } from '@chakra-ui/react';
import { type Dispatch, type SetStateAction, useState } from 'react';
import { put } from '@zest/core/job/change';
import type { Sheet } from '@zest/core/job/records/sheet';
import { parseScaleRatio, scaleOfRatio } from '@zest/core/takeoff/scale';
import { Labeled } from '../../parts/Labeled.tsx';
import { Modal } from '../../parts/Modal.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import { useFormats, useJobActions, useOpenJob } from '../../stores/context.tsx';
import { doubtPaper } from './scaleWords.ts';
import { settingsOf } from '@zest/core/job/job';
import { TextButton } from '../../parts/buttons.tsx';
import { TextInput } from '../../parts/fields.tsx';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';

const COMMON = {
  us: [`1/16" = 1'-0"`, `1/8" = 1'-0"`, `3/16" = 1'-0"`, `1/4" = 1'-0"`, `1/2" = 1'-0"`, `1" = 20'`],
  metric: ['1:20', '1:50', '1:100', '1:200', '1:500'],
} as const;

/** Sets a sheet's scale as a ratio. What the sheet prints is offered; nothing is taken by itself. */
interface ScaleDialogProps {
  readonly sheet: Sheet;
  readonly onClose: () => void;
  readonly onPoints: () => void;
}

export function ScaleDialog({ sheet, onClose, onPoints }: ScaleDialogProps) {
  const actions = useJobActions();
  const { job } = useOpenJob();
  const [text, setText] = useState(sheet.scale?.source.by === 'ratio' ? sheet.scale.source.text : '');
  const [refusal, setRefusal] = useState<string | undefined>();
  const [alike, setAlike] = useState(false);
  const [asked, setAsked] = useState<string | undefined>();
  const { numbers } = useFormats();
  // Only sheets that say the same and have no scale yet: nothing that was set is overrun.
  const others = [...job.sheet.values()].filter(
    (each) => each.id !== sheet.id && each.scale === null && each.printedScale === sheet.printedScale,
  );
  const apply = (typed: string): void => {
    const ratio = parseScaleRatio(typed);
    if (!ratio.ok) return setRefusal(describeProblem(ratio.problem));
    const doubt = doubtPaper(sheet, numbers);
    if (doubt !== undefined && asked !== typed) {
      // Asked once; the same scale given again is meant.
      setAsked(typed);
      return setRefusal(doubt);
    }
    const scale = { ...scaleOfRatio(ratio.value), source: { by: 'ratio', text: typed.trim() } } as const;
    const chosen = [sheet, ...(alike ? others : [])];
    const label = alike
      ? t('sheets.scaleOf', { sheets: t('count.sheet', { count: chosen.length }) })
      : t('sheets.scaleOf2', { number: sheet.number || sheet.title });
    const done = actions.transact(label, put(...chosen.map((each) => ({ ...each, scale }))));
    if (done.ok) onClose();
    else setRefusal(describeProblem(done.problem));
  };
  return (
    <Modal
      title={t('sheets.scaleOf3', { number: sheet.number, title: sheet.title })}
      onClose={onClose}
      footer={<ScaleButtons onPoints={onPoints} apply={apply} text={text} />}
    >
      <div className={layout.form}>
        {sheet.printedScale === '' ? null : <PrintedScale sheet={sheet} apply={apply} />}
        <Labeled label={t('sheets.scale')} error={refusal} hint={t('sheets.asIn1810Or')}>
          {(control) => (
            <TextInput
              {...control}
              autoFocus
              value={text}
              onChange={(event) => setText(event.target.value)}
              onKeyDown={(event) => event.key === 'Enter' && apply(text)}
            />
          )}
        </Labeled>
        {others.length === 0 ? null : (
          <AlikeTick alike={alike} setAlike={setAlike} sheet={sheet} others={others} />
        )}
        <CommonScales apply={apply} />
      </div>
    </Modal>
  );
}

interface CommonScalesProps {
  readonly apply: (typed: string) => void;
}

function CommonScales({ apply }: CommonScalesProps) {
  const { job } = useOpenJob();
  return (
    <div style={{ display: 'flex', gap: 6, flexWrap: 'wrap' }}>
      {COMMON[settingsOf(job).unitSystem].map((each) => (
        <Button key={each} size="xs" variant="outline" onClick={() => apply(each)}>
          {each}
        </Button>
      ))}
    </div>
  );
}

interface AlikeTickProps {
  readonly alike: boolean;
  readonly setAlike: Dispatch<SetStateAction<boolean>>;
  readonly sheet: Sheet;
  readonly others: Sheet[];
}

function AlikeTick({ alike, setAlike, sheet, others }: AlikeTickProps) {
  return (
    <Checkbox checked={alike} onChange={(on) => setAlike(on)}>
      {t(sheet.printedScale === '' ? 'sheets.alsoForWithoutAnyScale' : 'sheets.alsoForThatSayTheSame', {
        count: others.length,
      })}
    </Checkbox>
  );
}

interface PrintedScaleProps {
  readonly sheet: Sheet;
  readonly apply: (typed: string) => void;
}

function PrintedScale({ sheet, apply }: PrintedScaleProps) {
  return (
    <p style={{ margin: 0 }}>
      {t('sheets.theSheetSays')} <b>{sheet.printedScale}</b>.{' '}
      <TextButton onClick={() => apply(sheet.printedScale)}>{t('sheets.useIt')}</TextButton>
    </p>
  );
}

interface ScaleButtonsProps {
  readonly onPoints: () => void;
  readonly apply: (typed: string) => void;
  readonly text: string;
}

function ScaleButtons({ onPoints, apply, text }: ScaleButtonsProps) {
  return (
    <>
      <Button size="sm" variant="outline" onClick={onPoints}>
        {t('sheets.setByTwoPointsInstead')}
      </Button>
      <Button size="sm" onClick={() => apply(text)}>
        {t('sheets.setTheScale')}
      </Button>
    </>
  );
}

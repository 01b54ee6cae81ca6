import { FileUp } from 'lucide-react';
import { useRef } from 'react';
import { LIMITS } from '@zest/core/formats/limits';
import { readPreset } from '@zest/core/formats/report/preset';
import { describePreset } from '../../messages/describeReport.ts';
import { FileInput } from '../../parts/FileInput.tsx';
import { IconAction } from '../../parts/IconAction.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { t } from '../../messages/t.ts';
import type { useReportChanges } from './useReports.ts';

interface SharedReportProps {
  readonly add: ReturnType<typeof useReportChanges>['add'];
}

/** Takes in a report that somebody shared. */
export function SharedReport({ add }: SharedReportProps) {
  const input = useRef<HTMLInputElement>(null);
  const read = async (file: File): Promise<void> => {
    const text = file.size > LIMITS.preset.bytes ? '' : await file.text();
    const preset = readPreset(text);
    if (!preset.ok) return tellProblem(describePreset(file.name, preset.problem));
    const refused = add(t('report.addShared', { name: preset.value.name }), preset.value);
    if (refused !== undefined) tellProblem(refused);
  };
  return (
    <>
      <IconAction label={t('report.openShared')} icon={FileUp} onClick={() => input.current?.click()} />
      <FileInput
        ref={input}
        target="report"
        label={t('report.openShared')}
        onFile={(file) => void read(file)}
      />
    </>
  );
}

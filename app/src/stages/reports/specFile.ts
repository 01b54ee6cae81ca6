import type { ReportSpec } from '@zest/core/job/records/report';
import type { Services } from '../../platform/services.ts';
import { fileName } from '../../storage/jobFiles.ts';
import { writePreset } from '@zest/core/formats/report/preset';

/** A report as a file to share: how it is made, and nothing of the job. */
export function writeSpec({ download }: Pick<Services, 'download'>, spec: ReportSpec): void {
  download(fileName(spec.name, '.report.json'), new Blob([writePreset(spec)], { type: 'application/json' }));
}

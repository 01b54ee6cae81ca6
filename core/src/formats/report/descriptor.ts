import type { FormatDescriptor } from '../format.ts';
import { LIMITS } from '../limits.ts';

/** How a report is made, to share. */
export const REPORT_PRESET: FormatDescriptor = {
  id: 'report-preset',
  extensions: ['.json'],
  mediaTypes: ['application/json'],
  takenBy: 'report',
  bytes: LIMITS.preset.bytes,
};

/** A report as a page of any browser. */
export const REPORT_HTML: FormatDescriptor = {
  id: 'report-html',
  extensions: ['.html'],
  mediaTypes: ['text/html'],
  inWorker: true,
};

/** A report as XML by docs/report.xsd. */
export const REPORT_XML: FormatDescriptor = {
  id: 'report-xml',
  extensions: ['.xml'],
  mediaTypes: ['application/xml'],
  inWorker: true,
};

import { type ReportSpec, reportSchema } from '../../job/records/report.ts';
import { type Result, accept, refuse } from '../../problem/result.ts';

/** What reports that are shared say they are. */
const FORMAT = 'zest-report';
export const PRESET_VERSION = 1;

export type PresetProblem =
  | { readonly kind: 'preset-not-json' }
  | { readonly kind: 'preset-other-format' }
  | { readonly kind: 'preset-newer'; readonly version: number }
  /** What of it is not as it must be: `columns.2.key`. */
  | { readonly kind: 'preset-wrong'; readonly field: string };

const specSchema = reportSchema.unwrap().omit({ type: true, id: true, order: true });

/** A report as a text to share: how it is made, and nothing of the job it was made in. */
export const writePreset = (spec: ReportSpec): string =>
  `${JSON.stringify({ format: FORMAT, version: PRESET_VERSION, report: spec }, undefined, 2)}\n`;

/** A report that somebody shared, or what is wrong with the text. */
export function readPreset(text: string): Result<ReportSpec, PresetProblem> {
  let content: unknown;
  try {
    content = JSON.parse(text);
  } catch {
    return refuse({ kind: 'preset-not-json' });
  }
  if (typeof content !== 'object' || content === null) return refuse({ kind: 'preset-other-format' });
  const { format, version, report } = content as Readonly<Record<string, unknown>>;
  if (format !== FORMAT || typeof version !== 'number') return refuse({ kind: 'preset-other-format' });
  if (version > PRESET_VERSION) return refuse({ kind: 'preset-newer', version });
  const read = specSchema.safeParse(report);
  if (read.success) return accept(read.data);
  return refuse({ kind: 'preset-wrong', field: read.error.issues[0]?.path.join('.') ?? '' });
}

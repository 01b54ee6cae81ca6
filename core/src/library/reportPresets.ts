import { CHECKS } from './reports/checks.ts';
import { ESTIMATE } from './reports/estimate.ts';
import { LABOR } from './reports/labor.ts';
import { MATERIALS } from './reports/materials.ts';
import { MEASURED } from './reports/measured.ts';
import type { Preset } from './reports/preset.ts';

export { PRESET_FOLDERS, type Preset, type PresetFolder } from './reports/preset.ts';

/** The reports that ship, by folder. */
export const REPORT_PRESETS = [...MEASURED, ...ESTIMATE, ...MATERIALS, ...LABOR, ...CHECKS] as const;
export type PresetId = (typeof REPORT_PRESETS)[number]['id'];

export const findPreset = (id: string): Preset | undefined => REPORT_PRESETS.find((each) => each.id === id);

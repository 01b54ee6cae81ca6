import { stage as assemblies } from './assemblies/stage.ts';
import { stage as bid } from './bid/stage.ts';
import { stage as estimate } from './estimate/stage.ts';
import { stage as look } from './look/stage.ts';
import { stage as measure } from './measure/stage.ts';
import { stage as next } from './next/stage.ts';
import { stage as orders } from './orders/stage.ts';
import { stage as prices } from './prices/stage.ts';
import { stage as reports } from './reports/stage.ts';
import { stage as settings } from './settings/stage.ts';
import { stage as sheets } from './sheets/stage.ts';
import type { Stage } from './stage.ts';

/** The stages in working order. A new one is a folder with its `stage.ts`, and a line here. */
export const STAGES: readonly Stage[] = [
  next,
  sheets,
  measure,
  assemblies,
  prices,
  estimate,
  bid,
  orders,
  reports,
  look,
  settings,
];

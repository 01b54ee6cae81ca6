import type { DrawnSheet } from '../drawing/drawSet.ts';
import { type Project, drawTitleBlock } from '../drawing/titleBlock.ts';
import type { Pen } from '../drawing/pen.ts';
import { drawBeams } from './beamSheet.ts';
import { drawCover } from './coverSheet.ts';
import { drawElectrical } from './electricalSheet.ts';
import { drawFoundation } from './foundationSheet.ts';
import { drawGroundFloor } from './groundFloorSheet.ts';
import { PLAN_SCALE } from './plan.ts';
import { PLANTING_SCALE, drawPlanting } from './plantingSheet.ts';
import { drawRoof } from './roofSheet.ts';
import { drawSchedules } from './scheduleSheet.ts';
import { SITE_SCALE, drawSiteEast, drawSiteWest } from './siteSheets.ts';
import { drawStorm } from './stormSheet.ts';
import { drawUpperFloor } from './upperFloorSheet.ts';

const PROJECT: Project = {
  name: ['Tern Island', 'Boathouse'],
  address: '14 Slipway Lane, Saltmere',
  client: 'Tern Island Rowing Association',
  firm: 'Odd & Evenson',
  trade: 'ARCHITECTS',
  firmAddress: '3 Plumbline Court, Saltmere',
  drawn: 'EO / PV',
  issues: [
    ['Review set', '2026-06-19'],
    ['Permit set', '2026-08-03'],
    ['Bid set', '2026-10-23'],
  ],
  issue: 'BID SET',
};

const sheet = (number: string, title: string, scale: string, content: (pen: Pen) => void): DrawnSheet => ({
  number,
  title: title.replace('|', ' '),
  scale,
  draw: (pen) => {
    drawTitleBlock(pen, { project: PROJECT, number, title, scale });
    content(pen);
  },
});

/** The sheets of the bid set, in their order. */
export const BOATHOUSE_SHEETS: readonly DrawnSheet[] = [
  sheet('G-001', 'Cover', 'Not to scale', drawCover),
  sheet('C-101', 'Grading plan|west', SITE_SCALE, drawSiteWest),
  sheet('C-102', 'Grading plan|east', SITE_SCALE, drawSiteEast),
  sheet('C-201', 'Storm drain plan|and profile', SITE_SCALE, drawStorm),
  sheet('A-101', 'Ground floor|plan', PLAN_SCALE, drawGroundFloor),
  sheet('A-102', 'Upper floor|plan', PLAN_SCALE, drawUpperFloor),
  sheet('A-201', 'Roof plan', PLAN_SCALE, drawRoof),
  sheet('A-601', 'Door, window and|finish schedules', 'Not to scale', drawSchedules),
  sheet('S-101', 'Foundation|plan', PLAN_SCALE, drawFoundation),
  sheet('S-102', 'Upper floor|beams', PLAN_SCALE, drawBeams),
  sheet('E-101', 'Lighting and|power', PLAN_SCALE, drawElectrical),
  sheet('L-101', 'Planting and|irrigation', PLANTING_SCALE, drawPlanting),
];

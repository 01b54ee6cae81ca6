import { describe, expect, it } from '@jest/globals';
import { drawSection } from '../calculate/explain/drawSection.ts';
import { joinNote, notesOf, warningsOf } from '../calculate/explain/notes.ts';
import { frameOf } from '../assemblies/frames.ts';
import { type Drawn, TYPICAL, apply, gable, points, strokes } from '../testing/applied.ts';
import { POINT_FORMAT } from '../units/numberFormat.ts';
import { tradeLibrary } from './tradeLibrary.ts';
import { CARPENTRY_ASSEMBLIES } from './trades/carpentry.ts';
import { DEVICE_ASSEMBLIES } from './trades/devices.ts';
import { FURTHER_SITE_ASSEMBLIES } from './trades/site.ts';
import { STRUCTURE_ASSEMBLIES } from './trades/structure.ts';

/** A straight run of so many feet. */
const run = (feet: number): Drawn =>
  strokes([
    [0, 0],
    [feet, 0],
  ]);
const display = { system: 'us', numbers: POINT_FORMAT } as const;

type Worked = readonly [
  name: string,
  drawn: Drawn,
  answers: Record<string, string>,
  key: string,
  unit: string,
  figure: number,
];

/**
 * Worked by hand from what each assembly says. The area is 40 by 30 ft: 1,200 ft², 140 ft around; the
 * gable is 50 ft long over two runs of 20 ft at 6/12, so 2,236.07 ft² (slope factor 1.118) with 50 ft of ridge.
 */
const WORKED: readonly Worked[] = [
  ['Noggins between studs', run(60), { rows: '2' }, 'noggins', 'ft', 120],
  // Three bays of 24 ft in 60 ft; a strap of a 9 ft square is 12.728 ft long.
  ['Diagonal bracing', run(60), { height: '9' }, 'straps', 'ft', 2 * 3 * 9 * Math.SQRT2],
  // 45 spaces of 16 in in 60 ft, 46 strips of 9 ft, and 120 ft at top and bottom.
  ['Furring on a wall', run(60), { height: '9' }, 'furring', 'ft', 46 * 9 + 120],
  ['Timber posts', points(4), { height: '10' }, 'post', 'ft', 40],
  ['Laminated beam', run(16), { plies: '3', bearing: '6' }, 'lumber', 'ft', 51],
  ['Subfloor, glued', TYPICAL.area, {}, 'sheets', '', 37.5],
  // 1,200 ft² over joists at 16 in is 900 ft of joist, 60 ft a tube.
  ['Subfloor, glued', TYPICAL.area, {}, 'adhesive', '', 15],
  // Boards of 5.5 in with gaps of 0.25 in: 12 / 5.75 ft of board a square foot.
  ['Deck boards', TYPICAL.area, {}, 'boards', 'ft', (1200 * 12) / 5.75],
  ['Rafters and roof decking', gable, { spacing: '24' }, 'rafters', 'ft', (2000 * Math.sqrt(1.25)) / 2],
  ['Rafters and roof decking', gable, {}, 'ridge_board', 'ft', 50],
  ['Ceiling joists', TYPICAL.area, {}, 'joists', 'ft', 900],
  ['Base and trim', run(60), { doors: '6' }, 'base', 'ft', 54],
  ['Wood strip floor', TYPICAL.area, {}, 'strip', 'ft²', 1200],
  ['Window set', points(3), { width: '4', height: '5' }, 'sealant', 'ft', 54],
  ['Grade beam', run(90), { width: '12', depth: '24' }, 'concrete', 'yd³', (90 * 2) / 27],
  // Four No.5 at 1.043 lb/ft (ASTM A615 table 1, from memory) with 8 % of laps.
  ['Grade beam', run(90), {}, 'steel', 'lb', 4 * 90 * 1.08 * 1.043],
  // 91 ties of 6 ft of No.4 at 0.668 lb/ft.
  ['Grade beam', run(90), {}, 'ties', 'lb', 91 * 6 * 0.668],
  // 10 in deeper, 12 in wide at the bottom and a 10 in slope: 17 in on the mean.
  ['Thickened slab edge', run(90), {}, 'concrete', 'ft³', (90 * 10 * 17) / 144],
  ['Bars in a slab', TYPICAL.area, {}, 'steel', 'lb', 2 * 900 * 1.08 * 0.668],
  ['Suspended slab', TYPICAL.area, { thickness: '9' }, 'concrete', 'ft³', 900],
  ['Suspended slab', TYPICAL.area, { pump: '0' }, 'pumping', 'ft³', 0],
  ['Gravel base', TYPICAL.area, { depth: '6' }, 'stone', 'ft³', 600 * 1.12],
  ['Damp-proofing', run(60), { height: '4', down: '6' }, 'coating', 'ft²', 270],
  ['Damp-proofing', run(60), { board: '0' }, 'boards', 'ft²', 0],
  ['Pump a slab', TYPICAL.area, { thickness: '9', pour: '20' }, 'set_up', '', 2],
  // 60 ft of blocks of 16 in: 45; 0.25 ft³ of grout each (common practice).
  ['Bond beam', run(60), {}, 'blocks', '', 45],
  ['Bond beam', run(60), {}, 'grout', 'ft³', 11.25],
  ['Block pier', points(2), { height: '5' }, 'blocks', '', 32],
  ['Block retaining wall', run(40), { height: '3', face: '1' }, 'blocks', '', 120],
  ['Gravel path', TYPICAL.area, { depth: '4' }, 'stone', 'ft³', 400],
  // 1,200 ft² by 18 in at 100 lb/ft³ is 180,000 lb.
  ['Riprap', TYPICAL.area, {}, 'stone', 'ton', 90],
  ['Sod lawn', TYPICAL.area, {}, 'soil', 'ft³', 400],
  // One plant for every 1.5 by 1.5 ft.
  ['Planting bed', TYPICAL.area, {}, 'plants', '', 1200 / 2.25],
  ['Pavement stripes', run(100), { coats: '2' }, 'stripes', 'ft', 200],
  ['Bollards', points(5), {}, 'concrete', 'ft³', 5 * (Math.PI / 4) * 2.25 * 3],
  ['Cable run', run(45), {}, 'cable', 'ft', 47],
  ['Cable run', run(45), {}, 'fasteners', '', 12],
  ['Data outlet', points(6), { jacks: '2', run: '90' }, 'cable', 'ft', 1080],
  ['Smoke detector', points(6), {}, 'detectors', '', 6],
  ['Ground rods', points(3), { apart: '10' }, 'wire', 'ft', 20],
  ['Irrigation controller', points(1), { valves: '6', run: '100' }, 'wire', 'ft', 700],
  ['Backflow preventer', points(2), {}, 'preventers', '', 2],
];

describe('the further assemblies, by hand', () => {
  it.each(WORKED)('%s', (name, drawn, answers, key, unit, figure) => {
    expect(apply(name, drawn, answers).net(key, unit)).toBeCloseTo(figure, 4);
  });

  it('ships at least seventy in both unit systems', () => {
    for (const system of ['us', 'metric'] as const)
      expect(tradeLibrary(system).length).toBeGreaterThanOrEqual(70);
  });

  it('works a figure for every one of them', () => {
    const makers = [
      ...CARPENTRY_ASSEMBLIES,
      ...STRUCTURE_ASSEMBLIES,
      ...FURTHER_SITE_ASSEMBLIES,
      ...DEVICE_ASSEMBLIES,
    ];
    const worked = new Set(WORKED.map(([name]) => name));
    expect(makers.map((make) => make('us').name).filter((name) => !worked.has(name))).toEqual([]);
  });
});

describe('conduit fill', () => {
  const warned = (answers: Record<string, string>): readonly string[] => {
    const { calculation, use } = apply('Conduit run', run(100), answers);
    return warningsOf(calculation.figures, use, display).map(joinNote);
  };

  it('warns of three No.3 and one No.8 in a 3/4 in conduit, and says that a 1 in is large enough', () => {
    // NFPA 70 chapter 9 tables 1, 4 and 5 (from memory): 0.3285 in², 40 % of 0.533 in² is 0.213 in².
    const answers = {
      size: '0.75',
      conductors: '3',
      wire_area: '0.0973',
      ground: '1',
      ground_area: '0.0366',
    };
    const [warning] = warned(answers);
    expect(warning).toContain('61.63 %');
    expect(warning).toContain('40 %');
    expect(warning).toContain('1.00 in');
    expect(warned({ ...answers, size: '1' })).toEqual([]);
  });

  it('allows 53 % for one conductor and 31 % for two', () => {
    const one = { size: '0.5', ground: '0', conductors: '1' };
    expect(warned({ ...one, wire_area: '0.0973' })).toEqual([]);
    expect(warned({ ...one, wire_area: '0.2679' })).toHaveLength(1);
    expect(warned({ ...one, conductors: '2', wire_area: '0.0366' })).toEqual([]);
    expect(warned({ ...one, conductors: '2', wire_area: '0.0507' })).toHaveLength(1);
  });
});

describe('the trench', () => {
  it('is a 36 in pipe with a wall of 4 in by ASTM C76 (from memory): 44 in outside', () => {
    const trench = apply('Trench with pipe', run(100), {
      inside: '36',
      wall: '4',
      depth: '9',
      width: '7',
      bedding: '6',
      cover: '12',
      swell: '1',
      reused: '100',
    });
    const outside = 44 / 12;
    expect(trench.net('zone', 'ft³')).toBeCloseTo(
      100 * (7 * (outside + 1) - (Math.PI / 4) * outside ** 2),
      6,
    );
    expect(trench.net('excavation', 'ft³')).toBeCloseTo(6300, 6);
  });

  it('with sloped sides still holds just what is dug', () => {
    const trench = apply('Trench with pipe', run(100), { flare: '3', swell: '1', reused: '100' });
    // A trapezoid 4 ft wide at the bottom and 10 ft at the top, 6 ft deep: 42 ft².
    expect(trench.net('excavation', 'ft³')).toBeCloseTo(4200, 6);
    const pipe = (Math.PI / 4) * 1.5 ** 2 * 100;
    const parts = ['bed', 'zone', 'backfill'].reduce((sum, key) => sum + trench.net(key, 'ft³'), pipe);
    expect(parts).toBeCloseTo(4200, 6);
  });

  it('draws its section by the answers, and warns where the pipe stands out of the ground', () => {
    const deep = apply('Trench with pipe', run(100), { flare: '3' });
    const drawn = drawSection(deep.calculation.figures, frameOf(deep.job, deep.use));
    expect((drawn?.rightM ?? 0) - (drawn?.leftM ?? 0)).toBeCloseTo(10 * 0.3048, 9);
    expect((drawn?.topM ?? 0) - (drawn?.bottomM ?? 0)).toBeCloseTo(6 * 0.3048, 9);
    const shallow = apply('Trench with pipe', run(100), { depth: '2.5' });
    const [warning] = warningsOf(shallow.calculation.figures, shallow.use, display).map(joinNote);
    expect(warning).toContain('3′-0″');
  });

  it('explains itself with figures that follow', () => {
    const note = (feet: number): string | undefined => {
      const { calculation, use } = apply('Trench with pipe', run(feet), {});
      return notesOf(calculation.figures, use, display).map(joinNote)[0];
    };
    expect(note(90)).toMatch(/^80\.00 yd³ dug in place/);
    expect(note(180)).toMatch(/^160\.00 yd³ dug in place/);
  });
});

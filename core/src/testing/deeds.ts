import fc from 'fast-check';
import { listLines } from '../estimate/lines.ts';
import { remove } from '../job/change.ts';
import { removeAlternate, removeSection } from '../job/commands/removeWith.ts';
import { COST_KINDS } from '../job/records/assembly.ts';
import type { RecordOf } from '../job/record.ts';
import { makeMark, makeScope } from './job.ts';
import { type Desk, createPricedDesk } from './priced.ts';

export const markup = (desk: Desk, content: Partial<RecordOf<'markup'>>): RecordOf<'markup'> => ({
  type: 'markup',
  id: desk.makeId('markup'),
  name: 'Markup',
  percent: '10',
  base: 'cost',
  order: 1,
  ...content,
});

type Choices = Partial<
  Pick<RecordOf<'override'>, 'pinned' | 'costs' | 'taxPercent' | 'wastePercent' | 'sectionId' | 'alternate'>
>;

/** Everything a person may do to money, by number; what is refused changes nothing. */
export function doSomething(desk: Desk, what: number, pick: number, amount: number): void {
  const job = desk.job();
  const lines = [...listLines(job)].map(({ key }) => key);
  const at = <Item>(of: Iterable<Item>): Item | undefined => {
    const all = [...of];
    return all[pick % Math.max(1, all.length)];
  };
  const key = at(lines) ?? '';
  const [settings] = job.settings.values();
  const section = at(job.section.values());
  const alternate = at(job.alternate.values());
  const overridden = [...job.override.values()].find(({ line }) => line === key);
  const override = (content: Partial<RecordOf<'override'>>): RecordOf<'override'> => ({
    ...(overridden ?? { type: 'override', id: desk.makeId('override'), line: key }),
    ...content,
  });
  const line = job.line.get(key as RecordOf<'line'>['id']);
  const onLine = (content: Choices): void =>
    line === undefined
      ? desk.change(override(content))
      : desk.change({ ...line, ...(content as Partial<RecordOf<'line'>>) });
  const deeds: readonly (() => void)[] = [
    () =>
      desk.change(
        desk.line({ sectionId: section?.id ?? null, costs: { material: String(amount), hours: '' } }),
      ),
    () => onLine({ pinned: String(amount) }),
    () => onLine({ costs: { labor: String(amount) } }),
    () => onLine({ taxPercent: String(amount % 12) }),
    () => onLine({ wastePercent: String(amount % 30) }),
    () => onLine(section === undefined ? {} : { sectionId: section.id }),
    () =>
      onLine(
        alternate === undefined
          ? {}
          : { alternate: { id: alternate.id, as: amount % 2 === 0 ? 'adds' : 'drops' } },
      ),
    () =>
      desk.change({
        type: 'alternate',
        id: desk.makeId('alternate'),
        name: 'Alt',
        note: '',
        accepted: amount % 2 === 0,
        order: 1,
      }),
    () => alternate && desk.change({ ...alternate, accepted: !alternate.accepted }),
    () => alternate && desk.change(removeAlternate(alternate.id)),
    () =>
      desk.change({
        type: 'adjustment',
        id: desk.makeId('adjustment'),
        name: 'Adj',
        kinds: [COST_KINDS[pick % 5] ?? 'material'],
        percent: String((amount % 40) - 20),
        order: 1,
        on:
          amount % 3 === 0 || section === undefined
            ? { what: 'all' }
            : amount % 3 === 1
              ? { what: 'section', sectionId: section.id }
              : { what: 'lines', lines: [key] },
      }),
    () => job.adjustment.size > 0 && desk.change(remove(...job.adjustment.keys())),
    () =>
      desk.change(
        markup(desk, {
          percent: String(amount % 50),
          base: (['cost', 'labor', 'running', 'material'] as const)[pick % 4] ?? 'cost',
          ...(amount % 4 === 0
            ? { as: 'margin' as const }
            : amount % 4 === 1
              ? {
                  as: 'graded' as const,
                  grades: [
                    { upTo: '500', percent: '3' },
                    { upTo: '', percent: '1' },
                  ],
                }
              : {}),
          rates: amount % 5 === 0 && section !== undefined ? [{ on: section.id, percent: '4' }] : [],
        }),
      ),
    () => job.markup.size > 0 && desk.change(remove(...job.markup.keys())),
    () =>
      settings &&
      desk.change({
        ...settings,
        taxOnMaterials: String(amount % 20),
        bidStep: amount % 2 === 0 ? '' : '50',
      }),
    () => {
      const region: RecordOf<'region'> = {
        type: 'region',
        id: desk.makeId('region'),
        name: 'R',
        material: 1 + (amount % 9) / 10,
        labor: 0.9,
        equipment: 1.2,
        order: 1,
      };
      desk.change(region);
      if (settings)
        desk.change({ ...(desk.job().settings.get(settings.id) as typeof settings), regionId: region.id });
    },
    () => {
      const craft = at(job.craft.values());
      if (craft) desk.change({ ...craft, wage: String(amount), burden: String(pick % 40) });
    },
    () =>
      settings &&
      desk.change(
        settings.linesBy === undefined
          ? { ...settings, linesBy: 'code' }
          : (({ linesBy: _gone, ...rest }) => rest)(settings),
      ),
    () => {
      const assembly = at(job.assembly.values());
      if (assembly)
        desk.change({
          ...assembly,
          components: assembly.components.map((each, i) =>
            i === pick % assembly.components.length ? { ...each, costCode: `0${amount % 10}` } : each,
          ),
        });
    },
    () => section && section.code === '09' && desk.change(removeSection(section.id)),
  ];
  deeds[what % deeds.length]?.();
}

/** A job with two things measured and priced by assemblies. */
export function startBusyDesk(): Desk {
  const desk = createPricedDesk();
  const scopes = [
    makeScope(desk.makeId, { key: 'slab', kind: 'area', sectionId: desk.sectionId('03') }),
    makeScope(desk.makeId, { key: 'wall', kind: 'run', sectionId: desk.sectionId('06'), order: 2 }),
  ];
  const use = (scope: RecordOf<'scope'>, name: string): RecordOf<'use'> => ({
    type: 'use',
    id: desk.makeId('use'),
    scopeId: scope.id,
    assemblyId: desk.assembly(name).id,
    order: 1,
    answers: {},
  });
  const [slab, wall] = scopes as [RecordOf<'scope'>, RecordOf<'scope'>];
  desk.change(slab, wall);
  desk.change(
    makeMark(desk.makeId, slab, desk.sheet, [
      [0, 0],
      [24, 0],
      [24, 30],
      [0, 30],
    ]),
  );
  desk.change(
    makeMark(desk.makeId, wall, desk.sheet, [
      [0, 0],
      [40, 0],
    ]),
  );
  const [forArea] = [...desk.job().assembly.values()].filter(({ measures }) => measures === 'area');
  const [forRun] = [...desk.job().assembly.values()].filter(({ measures }) => measures === 'run');
  if (forArea) desk.change(use(slab, forArea.name));
  if (forRun) desk.change(use(wall, forRun.name));
  return desk;
}

/** Any list of deeds, by number, place and amount. */
export const anyDeeds = fc.array(fc.tuple(fc.nat(19), fc.nat(1000), fc.integer({ min: 1, max: 400 })), {
  minLength: 1,
  maxLength: 18,
});

export type Deeds = readonly (readonly [what: number, pick: number, amount: number])[];

/** The busy desk after these deeds. */
export function deskAfter(list: Deeds): Desk {
  const desk = startBusyDesk();
  for (const [what, pick, amount] of list) doSomething(desk, what, pick, amount);
  return desk;
}

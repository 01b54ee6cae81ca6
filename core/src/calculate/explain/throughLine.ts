import { inOrder } from '../../job/job.ts';
import { leadingMeasure } from '../../job/markKinds.ts';
import { MEASURE_DIMENSION } from '../../job/measures.ts';
import type { NodeId } from '../../job/nodeId.ts';
import type { Figures } from '../figures.ts';
import { bidNode, markNode, markupNode } from '../graph/nodes.ts';
import { lineWay } from './lineWays.ts';
import { marksStep, money, scopeSteps, sectionSteps } from './scopeSteps.ts';
import type { Selection, Step, StepLabel } from './step.ts';

export type { Selection, Step, StepFigure, StepLabel } from './step.ts';

/** The whole way of a selected thing, from the sheet to the bid. Empty when the thing is gone. */
export function throughLine(figures: Figures, selection: Selection): readonly Step[] {
  const steps = stepsOf(figures, selection);
  if (steps.length === 0 || selection.type === 'bid') return steps;
  return [...steps, bidStep(figures, false)];
}

function stepsOf(figures: Figures, selection: Selection): readonly Step[] {
  const { job } = figures;
  switch (selection.type) {
    case 'mark': {
      const mark = job.mark.get(selection.id);
      const scope = mark === undefined ? undefined : job.scope.get(mark.scopeId);
      if (mark === undefined || scope === undefined) return [];
      const measure = leadingMeasure(mark.kind);
      const sheet = job.sheet.get(mark.sheetId)?.number ?? '';
      const figure = figures.figure(markNode(mark.id, measure));
      const own: Step = {
        figure: { kind: 'quantity', figure, dimension: MEASURE_DIMENSION[measure] },
        label: { of: 'mark', scope: scope.name, sheet },
        target: selection,
        here: true,
      };
      return [own, ...scopeSteps(figures, scope, false)];
    }
    case 'scope': {
      const scope = job.scope.get(selection.id);
      if (scope === undefined) return [];
      return [marksStep(figures, scope, false), ...scopeSteps(figures, scope, true)];
    }
    case 'line':
      return lineWay(figures, selection.key);
    case 'section':
      return sectionSteps(figures, selection.id, true);
    case 'bid':
      return bidSteps(figures);
  }
}

const bidStep = (figures: Figures, here: boolean): Step => ({
  figure: money(figures.figure(bidNode('total'))),
  label: { of: 'bid' },
  target: { type: 'bid' },
  here,
});

function bidSteps(figures: Figures): readonly Step[] {
  const target = { type: 'bid' } as const;
  const [settings] = figures.job.settings.values();
  const at = (node: NodeId, label: StepLabel): Step => ({
    figure: money(figures.figure(node)),
    label,
    target,
    here: false,
  });
  return [
    at(bidNode('cost'), { of: 'cost' }),
    at(bidNode('tax'), { of: 'tax', percent: settings?.taxOnMaterials ?? '' }),
    ...inOrder(figures.job.markup.values()).map(({ id, name, percent }) =>
      at(markupNode(id), { of: 'markup', name, percent }),
    ),
    bidStep(figures, true),
  ];
}

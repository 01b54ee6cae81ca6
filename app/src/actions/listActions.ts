import { listFrameActions } from '../frame/frameActions.ts';
import type { Stage } from '../stages/stage.ts';
import type { Action, ActionContext } from './action.ts';

/** Everything a person can have done in the open job, each with its usual key: of the frame, the stages and pages. */
export function listActions(stages: readonly Stage[], context: ActionContext): readonly Action[] {
  const inOrder = stages.filter(({ atFoot, isThere }) => atFoot !== true && isThere === undefined);
  return [
    ...listFrameActions(context),
    ...stages.flatMap(({ actions }) => actions?.(context) ?? []),
    ...stages.flatMap((stage) =>
      stage.pages.map(({ path, goTo }): Action => {
        const number = path === stage.path ? inOrder.indexOf(stage) + 1 : 0;
        const go = { id: `go-${path}`, label: goTo, run: () => context.goTo(path) };
        return number === 0 ? go : { ...go, key: `Alt+${number}` };
      }),
    ),
  ];
}

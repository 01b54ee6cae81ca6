import type { CostKind } from '@zest/core/job/records/assembly';
import { COST_WORDS } from '../messages/words.ts';
import { Checkbox } from './Checkbox.tsx';
import { layout } from '../theme/layout.ts';

interface KindChoiceProps<Kind extends CostKind> {
  readonly legend: string;
  readonly kinds: readonly Kind[];
  readonly chosen: readonly Kind[];
  readonly onChoose: (chosen: readonly Kind[]) => void;
}

/** Any of the kinds of cost. */
export function KindChoice<Kind extends CostKind>({
  legend,
  kinds,
  chosen,
  onChoose,
}: KindChoiceProps<Kind>) {
  return (
    <fieldset className={layout.kinds}>
      <legend className="soft">{legend}</legend>
      {kinds.map((kind) => (
        <Checkbox
          key={kind}
          checked={chosen.includes(kind)}
          onChange={() =>
            onChoose(chosen.includes(kind) ? chosen.filter((each) => each !== kind) : [...chosen, kind])
          }
        >
          {COST_WORDS[kind]}
        </Checkbox>
      ))}
    </fieldset>
  );
}

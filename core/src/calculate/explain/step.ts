import type { LineKey } from '../../job/lineKey.ts';
import type { Figure } from '../graph/rule.ts';
import type { Id } from '../../job/id.ts';
import type { CostKind } from '../../job/records/assembly.ts';
import type { Item } from '../../job/records/item.ts';
import type { Measure } from '../../job/measures.ts';
import type { Dimension } from '../../units/dimension.ts';

/** What a person has in hand. */
export type Selection =
  | { readonly type: 'mark'; readonly id: Id<'mark'> }
  | { readonly type: 'scope'; readonly id: Id<'scope'> }
  | { readonly type: 'line'; readonly key: LineKey }
  | { readonly type: 'section'; readonly id: string }
  | { readonly type: 'bid' };

export type StepFigure =
  | { readonly kind: 'quantity'; readonly figure: Figure; readonly dimension: Dimension }
  | { readonly kind: 'in-unit'; readonly figure: Figure; readonly unit: string }
  | { readonly kind: 'money'; readonly figure: Figure }
  | { readonly kind: 'unit-cost'; readonly item: Item }
  | { readonly kind: 'factor'; readonly times: number }
  | { readonly kind: 'pieces'; readonly count: number }
  | { readonly kind: 'lines'; readonly count: number };

/** What a step is about; the interface puts it into words. */
export type StepLabel =
  | {
      readonly of: 'marks';
      readonly scope: string;
      readonly sheets: readonly string[];
      /** Some of it is typed, on no sheet. */
      readonly typed: boolean;
    }
  | { readonly of: 'mark'; readonly scope: string; readonly sheet: string }
  | { readonly of: 'measure'; readonly measure: Measure; readonly scope: string }
  | { readonly of: 'formula'; readonly formula: string }
  | { readonly of: 'waste'; readonly percent: string }
  | { readonly of: 'round-up'; readonly multiple: string }
  | { readonly of: 'spares'; readonly spares: string }
  | { readonly of: 'minimum'; readonly minimum: string }
  /** Labor hours for what is worked, before whatever acts on them. */
  | { readonly of: 'hours'; readonly worked: Figure; readonly unit: string }
  | { readonly of: 'hours-factor'; readonly formula: string; readonly times: number }
  | { readonly of: 'difficulty'; readonly times: number }
  /** What region and adjustments take the prices of a kind times. */
  | { readonly of: 'price-factor'; readonly cost: CostKind; readonly times: number }
  | { readonly of: 'needed' }
  | { readonly of: 'bought' }
  | { readonly of: 'rounded-up' }
  | { readonly of: 'typed' }
  | { readonly of: 'pinned' }
  | { readonly of: 'price'; readonly item: string }
  | { readonly of: 'line'; readonly description: string }
  | { readonly of: 'lines' }
  | { readonly of: 'scope-cost'; readonly scope: string }
  | { readonly of: 'section'; readonly section: string }
  | { readonly of: 'cost' }
  | { readonly of: 'tax'; readonly percent: string }
  | { readonly of: 'markup'; readonly name: string; readonly percent: string }
  | { readonly of: 'bid' };

export interface Step {
  readonly figure: StepFigure;
  readonly label: StepLabel;
  /** Where a click leads; the same selection marks the step one stands on. */
  readonly target: Selection | { readonly type: 'item'; readonly id: Id<'item'> };
  readonly here: boolean;
}

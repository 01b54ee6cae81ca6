import { scopeNames } from '../queries/jobNames.ts';
import type { Scope } from '../../job/records/scope.ts';
import { type Display, formatInUnit, formatQuantity, joinFigure } from '../../units/format.ts';
import { isNumber } from '../../units/dimension.ts';
import { findUnit } from '../../units/unit.ts';
import type { Figures } from '../figures.ts';
import { knownValue } from '../define.ts';
import { propertyNode } from '../graph/nodes.ts';

/** A property of a scope as it is written: with its figure where it has one, else as it was typed; empty for none. */
export function evaluateProperty(figures: Figures, scope: Scope, key: string, display: Display): string {
  const property = scope.properties.find((each) => each.key === key);
  if (property === undefined) return '';
  const value = knownValue(figures.figure(propertyNode(scope.id, key)));
  if (value === undefined) return property.value;
  const unit = findUnit(property.unit);
  if (unit !== undefined) return joinFigure(formatInUnit(value, unit, display));
  const dimension = scopeNames(figures.job, scope.id).findDimension({ type: 'name', name: key });
  return dimension === undefined || isNumber(dimension)
    ? String(value)
    : joinFigure(formatQuantity(value, dimension, display));
}

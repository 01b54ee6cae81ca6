/**
 * A dimension is the product of powers of the base dimensions. Counts are plain numbers:
 * `count(doors) * 100 mm` is a length, so a count must not carry a dimension of its own.
 */
export interface Dimension {
  readonly length: number;
  readonly mass: number;
  readonly time: number;
  readonly money: number;
}

const dimension = (length: number, mass = 0, time = 0, money = 0): Dimension =>
  Object.freeze({ length, mass, time, money });

export const NUMBER = dimension(0);
export const LENGTH = dimension(1);
export const AREA = dimension(2);
export const VOLUME = dimension(3);
export const MASS = dimension(0, 1);
export const TIME = dimension(0, 0, 1);
export const MONEY = dimension(0, 0, 0, 1);

export const sameDimension = (a: Dimension, b: Dimension): boolean =>
  a.length === b.length && a.mass === b.mass && a.time === b.time && a.money === b.money;

export const isNumber = (d: Dimension): boolean => sameDimension(d, NUMBER);

export const multiplyDimensions = (a: Dimension, b: Dimension): Dimension =>
  dimension(a.length + b.length, a.mass + b.mass, a.time + b.time, a.money + b.money);

export const divideDimensions = (a: Dimension, b: Dimension): Dimension =>
  dimension(a.length - b.length, a.mass - b.mass, a.time - b.time, a.money - b.money);

export const raiseDimension = (d: Dimension, exponent: number): Dimension =>
  dimension(d.length * exponent, d.mass * exponent, d.time * exponent, d.money * exponent);

/** A stable text for use as a map key. */
export const dimensionKey = (d: Dimension): string => `${d.length}.${d.mass}.${d.time}.${d.money}`;

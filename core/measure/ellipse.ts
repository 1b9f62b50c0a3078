/**
 * Perimeter of an ellipse from its two full axes, in the unit of the axes.
 * Source: Ramanujan's second approximation (Modular equations and approximations to π, 1914).
 * @throws RangeError where an axis is not a positive number.
 */
export function ellipsePerimeter(axisA: number, axisB: number): number {
  if (!(axisA > 0) || !(axisB > 0))
    throw new RangeError(`an ellipse needs two positive axes, not ${axisA} and ${axisB}`)
  const a = axisA / 2
  const b = axisB / 2
  const h = ((a - b) / (a + b)) ** 2
  return Math.PI * (a + b) * (1 + (3 * h) / (10 + Math.sqrt(4 - 3 * h)))
}

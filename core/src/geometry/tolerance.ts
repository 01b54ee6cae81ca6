/**
 * The one place for geometric tolerances, in sheet points (1/72 in). A pen line on a plan is
 * 0.2 to 1 point wide: what lies closer than that was meant to touch.
 */
export const TOUCHING_PT = 0.75;
/** Ends of runs this close to another run are taken as joined to it; a thick wall is traced by eye. */
export const JOINING_PT = 4;
/** A vertex that stands this little off the line of its neighbors was clicked on the way, not turned at. */
export const STRAIGHT_PT = 1.5;
/** Below this two directions count as one. */
export const STRAIGHT_RAD = (5 * Math.PI) / 180;

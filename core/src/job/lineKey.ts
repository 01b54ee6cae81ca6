/**
 * A line is a typed one (`line:…`), a component of a use (`use:…/component/studs`), or what an
 * item is rounded up by (`purchase:FR-2X4`).
 */
export type LineKey = string;

export const componentLine = (useId: string, key: string): LineKey => `${useId}/component/${key}`;

/** What one item is rounded up by at purchase, over the whole job. */
export const purchaseLine = (itemCode: string): LineKey => `purchase:${itemCode}`;

/** Lines in no section are shown and summed under this name. */
export const NO_SECTION = 'section:none';

/** A line is a typed one (`line:…`) or a component of a use (`use:…/component/studs`). */
export type LineKey = string;

export const componentLine = (useId: string, key: string): LineKey => `${useId}/component/${key}`;

/** Lines in no section are shown and summed under this name. */
export const NO_SECTION = 'section:none';

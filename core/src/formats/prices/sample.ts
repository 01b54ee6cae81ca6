/** What stands as the source of a sample in a list, so that it comes back as one. */
export const SAMPLE_SOURCE = 'Zest Line sample';

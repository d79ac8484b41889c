/** Said in every brief of the demo. */
export const SAMPLE = 'Sample data, not for design.';

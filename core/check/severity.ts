/** error: something is broken; attention: works, but not as it seems; note: could be better. */
export const SEVERITIES = ['error', 'attention', 'note'] as const;
export type Severity = (typeof SEVERITIES)[number];

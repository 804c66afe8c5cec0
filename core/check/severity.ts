/** error: something is broken; attention: works, but not as it seems; note: could be better. */
export const SEVERITIES = ['error', 'attention', 'note'] as const;
export type Severity = (typeof SEVERITIES)[number];

/** In their order but for the severity, errors first. */
export const errorsFirst = <F extends { readonly severity: Severity }>(findings: readonly F[]): F[] =>
	SEVERITIES.flatMap((severity) => findings.filter((f) => f.severity === severity));

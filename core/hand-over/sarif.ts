import type { Log, Result } from 'sarif';
import type { Severity } from '../check/severity.ts';

/** A finding with the place in a file that it is about. */
export interface Placed {
	readonly rule: string;
	readonly title: string;
	readonly severity: Severity;
	readonly sentence: string;
	/** Tells findings apart over several runs; left out where nobody asks. */
	readonly id: string | undefined;
	readonly file: string;
	readonly line: number | undefined;
}

const LEVELS: Readonly<Record<Severity, Result.level>> = { error: 'error', attention: 'warning', note: 'note' };

/** A path as a relative reference (RFC 3986, 3.3): each part of it may hold any sign. */
const uriOf = (file: string): string =>
	file
		.replaceAll('\\', '/')
		.split('/')
		.map((part, i) => (i === 0 && /^[A-Za-z]:$/.test(part) ? part : encodeURIComponent(part)))
		.join('/');

/** Findings as SARIF 2.1.0 (OASIS, 27 March 2020), with the property names and required parts of its sections 3.13 to 3.27. */
export function sarifLog(findings: readonly Placed[], version: string): Log {
	const rules = [...new Map(findings.map((f) => [f.rule, f.title]))];
	return {
		$schema: 'https://json.schemastore.org/sarif-2.1.0.json',
		version: '2.1.0',
		runs: [
			{
				tool: {
					driver: {
						name: 'Skarn',
						semanticVersion: version,
						rules: rules.map(([id, title]) => ({ id, shortDescription: { text: title } }))
					}
				},
				columnKind: 'utf16CodeUnits',
				results: findings.map((f) => ({
					ruleId: f.rule,
					ruleIndex: rules.findIndex(([id]) => id === f.rule),
					level: LEVELS[f.severity],
					message: { text: f.sentence },
					locations: [
						{
							physicalLocation: {
								artifactLocation: { uri: uriOf(f.file) },
								...(f.line !== undefined && { region: { startLine: f.line } })
							}
						}
					],
					...(f.id !== undefined && { partialFingerprints: { 'skarnFinding/v1': f.id } })
				}))
			}
		]
	};
}

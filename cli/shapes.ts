import { z } from 'zod';
import { Scope } from '../core/context/scope.ts';
import { SEVERITIES } from '../core/check/severity.ts';

/** What `skarn check --format json` writes. */
export const FindingsFile = z.strictObject({
	format: z.literal('skarn-findings'),
	version: z.literal(1),
	counts: z.record(z.enum(SEVERITIES), z.number().int().min(0)),
	findings: z.array(
		z.strictObject({
			rule: z.string(),
			title: z.string(),
			severity: z.enum(SEVERITIES),
			sentence: z.string(),
			id: z.string().meta({ description: 'stays the same while the same bindings are concerned' }),
			file: z.string(),
			line: z.number().int().min(1).optional(),
			accepted: z.boolean()
		})
	)
});

/** What `skarn resolve --format json` writes. */
export const EffectiveFile = z.strictObject({
	format: z.literal('skarn-effective'),
	version: z.literal(1),
	shortcuts: z.array(
		z.strictObject({ keys: z.string(), command: z.string(), scope: Scope, stratum: z.string(), lockedBy: z.string().optional() })
	),
	modes: z.array(z.strictObject({ axis: z.string(), id: z.string(), label: z.string(), from: z.string(), stratum: z.string() })),
	aliases: z.array(z.strictObject({ alias: z.string(), command: z.string(), stratum: z.string() })),
	macros: z.array(
		z.strictObject({
			id: z.string(),
			label: z.string(),
			steps: z.string().meta({ description: 'separated by semicolons, such as: cancel; run draw.segment; type "250"; accept' }),
			stratum: z.string()
		})
	),
	places: z.array(
		z.strictObject({
			where: z.string().meta({ description: 'position in the toolbars, from the outside in, such as: Work / Body / Grow' }),
			command: z.string(),
			hidden: z.literal(true).optional(),
			stratum: z.string()
		})
	)
});

/** What `skarn diff --format json` writes. */
export const DiffFile = z.strictObject({
	format: z.literal('skarn-diff'),
	version: z.literal(1),
	differences: z.array(
		z.strictObject({
			kind: z.enum(['added', 'changed', 'removed']),
			chapter: z.string(),
			input: z.string(),
			command: z.string(),
			scope: z.string()
		})
	)
});

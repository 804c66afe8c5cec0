import { z } from 'zod';

/** Names an option within its application, as in `display.grid`. */
export const OptionPath = z
	.string()
	.regex(
		/^[a-z0-9][a-z0-9-]*(\.[a-z0-9][a-z0-9-]*)*$/,
		'an option path: words of lower-case letters, digits and hyphens, joined by dots'
	)
	.max(120)
	.brand<'OptionPath'>();
export type OptionPath = z.infer<typeof OptionPath>;

export const OptionValue = z.union([z.boolean(), z.number().refine(Number.isFinite, 'a number'), z.string().max(500)]);
export type OptionValue = z.infer<typeof OptionValue>;

/** What an option may be. */
export const OptionType = z.discriminatedUnion('kind', [
	z.strictObject({ kind: z.literal('switch') }),
	z.strictObject({
		kind: z.literal('choice'),
		choices: z
			.array(z.strictObject({ value: z.string().min(1).max(60), label: z.string().min(1).max(80) }))
			.min(2)
			.max(60)
	}),
	z.strictObject({
		kind: z.literal('number'),
		min: z.number(),
		max: z.number(),
		/** Values lie so far apart, counted from `min`; any number when left out. */
		step: z.number().positive().optional(),
		unit: z.string().max(12).default('')
	}),
	z.strictObject({ kind: z.literal('text'), longest: z.number().int().min(1).max(500) })
]);
export type OptionType = z.infer<typeof OptionType>;

/** One option of an application, as its catalogue describes it. */
export const OptionDefinition = z
	.strictObject({
		path: OptionPath,
		label: z.string().min(1).max(80),
		group: z.string().min(1).max(60),
		explanation: z.string().max(400).default(''),
		type: OptionType,
		default: OptionValue,
		/** Other words by which people look for it. */
		synonyms: z.array(z.string().min(1).max(60)).max(20).default([]),
		/** It is about one machine, such as a graphics card or a folder there. */
		machine: z.boolean().default(false),
		/** The application hears of it when it starts. */
		restart: z.boolean().default(false),
		/** What it costs in speed, in words; empty where nothing. */
		cost: z.string().max(120).default('')
	})
	.superRefine((definition, ctx) => {
		const problem = valueProblem(definition, definition.default);
		if (problem) ctx.addIssue({ code: 'custom', path: ['default'], message: problem });
	});
export type OptionDefinition = z.infer<typeof OptionDefinition>;

/** Why the option cannot have the value; undefined if it can. */
export function valueProblem({ type }: Pick<OptionDefinition, 'type'>, value: OptionValue): string | undefined {
	switch (type.kind) {
		case 'switch':
			return typeof value === 'boolean' ? undefined : `expected on or off (true or false), found ${JSON.stringify(value)}`;
		case 'choice':
			return type.choices.some((choice) => choice.value === value)
				? undefined
				: `expected one of ${type.choices.map((choice) => choice.value).join(', ')}, found ${JSON.stringify(value)}`;
		case 'text':
			if (typeof value !== 'string') return `expected a text, found ${JSON.stringify(value)}`;
			return [...value].length > type.longest
				? `expected at most ${type.longest} characters, found ${[...value].length}`
				: undefined;
		case 'number': {
			const { min, max, step, unit } = type;
			const range = `${min} to ${max}${unit && ` ${unit}`}`;
			if (typeof value !== 'number') return `expected a number from ${range}, found ${JSON.stringify(value)}`;
			if (value < min || value > max) return `expected ${range}, found ${value}`;
			return step !== undefined && !isOnStep(value - min, step)
				? `expected steps of ${step} from ${min}, found ${value}`
				: undefined;
		}
	}
}

/** Whether a multiple, as near as numbers of two digits after the point are told apart. */
const isOnStep = (distance: number, step: number): boolean =>
	Math.abs(distance / step - Math.round(distance / step)) < 1e-9 * Math.max(1, distance / step);

/** The allowed value nearest to one that is out of range; undefined where nothing is near. */
export function nearestValue({ type }: Pick<OptionDefinition, 'type'>, value: OptionValue): OptionValue | undefined {
	if (type.kind === 'text' && typeof value === 'string') return [...value].slice(0, type.longest).join('');
	if (type.kind !== 'number' || typeof value !== 'number') return undefined;
	const { min, max, step } = type;
	const within = Math.min(max, Math.max(min, value));
	if (step === undefined) return within;
	const steps = Math.min(Math.floor((max - min) / step + 1e-9), Math.round((within - min) / step));
	// what steps of a tenth add up to is written as a tenth
	return Number((min + steps * step).toPrecision(12));
}

/** The value as people say it. */
export function valueText({ type }: Pick<OptionDefinition, 'type'>, value: OptionValue): string {
	if (type.kind === 'switch' && typeof value === 'boolean') return value ? 'on' : 'off';
	if (type.kind === 'choice') return type.choices.find((choice) => choice.value === value)?.label ?? String(value);
	if (type.kind === 'number') return `${value}${type.unit && ` ${type.unit}`}`;
	return String(value);
}

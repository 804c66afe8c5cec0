import { MacroStep } from './macro.ts';

/** A text that is no list of steps; `column` counts from 1. */
export class StepsError extends Error {
	override name = 'StepsError';
	readonly column: number;
	constructor(message: string, column: number) {
		super(message);
		this.column = column;
	}
}

const quoted = (text: string) => `"${text.replaceAll('\\', '\\\\').replaceAll('"', '\\"')}"`;

/** A step as a line of text, as in `run draw.segment` or `type "250"`. */
export function stepText(step: MacroStep): string {
	switch (step.do) {
		case 'cancel':
		case 'accept':
			return step.do;
		case 'run':
			return `run ${/^[^\s;"]+$/.test(step.command) ? step.command : quoted(step.command)}`;
		case 'type':
			return `type ${quoted(step.text)}`;
		case 'pick':
			return step.what === '' ? 'pick' : `pick ${quoted(step.what)}`;
		case 'launch':
			return ['launch', ...[step.program, ...step.arguments].map(quoted)].join(' ');
	}
}

/** Steps in one line, joined by semicolons: `cancel; run draw.segment; type "250"; accept`. `parseSteps` reads it back. */
export const stepsText = (steps: readonly MacroStep[]): string => steps.map(stepText).join('; ');

/** Throws `StepsError` with the column. */
export function parseSteps(text: string): MacroStep[] {
	const token = /\s*(?:;|"((?:[^"\\]|\\.)*)"|([^\s;"]+))/y;
	const steps: MacroStep[] = [];
	let words: { said: string; column: number }[] = [];
	const end = () => {
		if (words.length > 0) steps.push(stepOf(words));
		words = [];
	};
	for (token.lastIndex = 0; text.slice(token.lastIndex).trim() !== '';) {
		const from = token.lastIndex;
		const match = token.exec(text);
		const column = from + (/^\s*/.exec(text.slice(from))?.[0].length ?? 0) + 1;
		if (!match) throw new StepsError('a quotation mark is missing; a text begins and ends with one', column);
		if (match[1] !== undefined) words.push({ said: match[1].replaceAll(/\\(.)/g, '$1'), column });
		else if (match[2] !== undefined) words.push({ said: match[2], column });
		else end();
	}
	end();
	return steps;
}

function stepOf([verb, ...rest]: readonly { said: string; column: number }[]): MacroStep {
	const words = rest.map((w) => w.said);
	const bare = (count: number, what: string) => {
		if (words.length !== count) throw new StepsError(`${verb!.said} takes ${what}`, rest[count]?.column ?? verb!.column);
	};
	const made = (): unknown => {
		switch (verb!.said) {
			case 'cancel':
			case 'accept':
				bare(0, 'nothing more');
				return { do: verb!.said };
			case 'run':
				bare(1, 'one command');
				return { do: 'run', command: words[0] };
			case 'type':
				bare(1, 'one text in quotation marks');
				return { do: 'type', text: words[0] };
			case 'pick':
				if (words.length > 0) bare(1, 'at most one text: what is asked for');
				return { do: 'pick', what: words[0] ?? '' };
			case 'launch':
				return { do: 'launch', program: words[0] ?? '', arguments: words.slice(1) };
			default:
				throw new StepsError(`"${verb!.said}" is no step; a step is cancel, run, type, accept, pick or launch`, verb!.column);
		}
	};
	const parsed = MacroStep.safeParse(made());
	if (!parsed.success) throw new StepsError(`${verb!.said}: ${parsed.error.issues[0]!.message}`, verb!.column);
	return parsed.data;
}

/** Whether the text is a list of steps, and not an empty one. */
export function areSteps(text: string): boolean {
	try {
		return parseSteps(text).length > 0;
	} catch (error) {
		if (!(error instanceof StepsError)) throw error;
		return false;
	}
}

import { answerTo } from '../aliases/prompt.ts';
import { aliasKey } from '../../application/command-line.ts';
import type { AliasTable } from '../aliases/table.ts';
import type { Catalogue } from '../../application/application.ts';
import type { CommandId } from '../../application/command.ts';
import type { MacroStep } from './macro.ts';
import { isMacroId } from './macro.ts';
import type { MacroTable } from './table.ts';

/** What goes on in a modelling application: the commands that run, the outermost first, and the text not yet accepted. */
export interface Activity {
	readonly running: readonly CommandId[];
	readonly text: string;
}
export const IDLE: Activity = { running: [], text: '' };

/** What an application knows when it takes steps. Without aliases it has no command line. */
export interface MacroGround {
	readonly catalogue: Catalogue;
	readonly macros: MacroTable;
	readonly aliases: AliasTable | undefined;
}

/** What went otherwise than whoever wrote the step will have wanted. */
export type Fault = 'unknown' | 'ends' | 'unheard' | 'lost' | 'loop';

export interface Performed {
	readonly activity: Activity;
	/** What happened, in words. */
	readonly said: string;
	readonly ran?: CommandId;
	readonly fault?: Fault;
	/** The application waits for a pick before it goes on. */
	readonly waits?: true;
	/** A macro that the step calls; its steps come next. */
	readonly calls?: CommandId;
	readonly launches?: { readonly program: string; readonly arguments: readonly string[] };
}

const LINGERS = new Set(['interactive', 'dialog']);

/** What one step does. Programs are not launched: the answer says what would be. */
export function perform(activity: Activity, step: MacroStep, ground: MacroGround): Performed {
	const { running, text } = activity;
	const label = (id: CommandId) => ground.catalogue.get(id)?.label ?? id;
	const inner = running.at(-1);
	const lost = text === '' ? '' : ` The text "${text}" was not accepted and is lost.`;
	const withLoss = <T extends object>(done: T & { said: string }): T & { said: string; fault?: Fault } =>
		lost === '' ? done : { ...done, said: done.said + lost, fault: 'lost' };
	switch (step.do) {
		case 'cancel':
			return withLoss({
				activity: IDLE,
				said: running.length === 0 ? 'No command is running.' : `${running.map(label).join(' and ')} ends.`
			});
		case 'run':
			return withLoss(start(activity, step.command, ground, label));
		case 'type':
			if (!inner && !ground.aliases)
				return { activity, said: `"${step.text}" is typed, but nothing accepts text.`, fault: 'unheard' };
			return {
				activity: { running, text: text + step.text },
				said: inner ? `"${step.text}" is typed for ${label(inner)}.` : `"${step.text}" is typed into the command line.`
			};
		case 'accept':
			return accept(activity, ground, label);
		case 'pick':
			return {
				activity,
				waits: true,
				said: `${inner ? label(inner) : 'The macro'} waits for a pick${step.what === '' ? '' : `: ${step.what}`}.`
			};
		case 'launch':
			return {
				activity,
				launches: { program: step.program, arguments: step.arguments },
				said: `Would launch ${[step.program, ...step.arguments].join(' ')}. Skarn launches nothing.`
			};
	}
}

function start({ running }: Activity, id: CommandId, ground: MacroGround, label: (id: CommandId) => string): Performed {
	const activity = { running, text: '' };
	const command = ground.catalogue.get(id);
	if (!command) return { activity, said: `There is no command ${id} in this version; nothing runs.`, fault: 'unknown' };
	if (isMacroId(id) && ground.macros.inForce.has(id)) return { activity, calls: id, ran: id, said: `${command.label} begins.` };
	const within = running.length > 0 && command.nested;
	const outer = within ? running : [];
	const ended = within || running.length === 0 ? '' : ` and ends ${running.map(label).join(' and ')}`;
	return {
		activity: { running: LINGERS.has(command.kind) ? [...outer, id] : outer, text: '' },
		ran: id,
		said: `${command.label} runs${within ? ` inside ${label(running.at(-1)!)}` : ended}.`,
		...(ended !== '' && { fault: 'ends' as const })
	};
}

function accept({ running, text }: Activity, ground: MacroGround, label: (id: CommandId) => string): Performed {
	const inner = running.at(-1);
	// a name of the command line is one also while a command runs; all else is for that command
	const isName = ground.aliases !== undefined && ground.aliases.inForce.has(aliasKey(text.trim(), ground.aliases.input));
	if (inner && text !== '' && !isName) return { activity: { running, text: '' }, said: `${label(inner)} takes "${text}".` };
	if (inner && text === '')
		return { activity: { running: running.slice(0, -1), text: '' }, said: `${label(inner)} is accepted and ends.` };
	if (text === '' || !ground.aliases) return { activity: IDLE, said: 'There is nothing to accept.', fault: 'unheard' };
	const { answer, trace } = answerTo(ground.aliases, ground.catalogue, text.trim());
	if (answer.kind !== 'runs') return { activity: IDLE, said: trace.at(-1)!, fault: 'unknown' };
	return start({ running, text: '' }, answer.command as CommandId, ground, label);
}

/** One step of a running macro. `macro` is the one that the step is of, `path` those that called it and itself. */
export interface MacroEvent extends Performed {
	readonly macro: CommandId;
	readonly step: number;
	readonly path: readonly CommandId[];
}

/** The most steps that one run performs, with those of the macros it calls. */
const MOST_STEPS = 2_000;

/**
 * Runs a macro step by step, with the macros that it calls; whoever takes the events lets time pass where one waits. A macro
 * that calls itself again is stopped there.
 */
export function* play(
	id: CommandId,
	ground: MacroGround,
	from: Activity = IDLE,
	path: readonly CommandId[] = [],
	run = { left: MOST_STEPS, isStopped: false }
): Generator<MacroEvent, Activity> {
	const here = [...path, id];
	let activity = from;
	for (const [step, said] of (ground.macros.inForce.get(id)?.macro.steps ?? []).entries()) {
		if (run.isStopped) return activity;
		if (run.left-- <= 0) {
			run.isStopped = true;
			yield { macro: id, step, path: here, activity, said: `After ${MOST_STEPS} steps the run was stopped.`, fault: 'loop' };
			return activity;
		}
		const done = perform(activity, said, ground);
		activity = done.activity;
		if (done.calls !== undefined && here.includes(done.calls)) {
			const round = [...here.slice(here.indexOf(done.calls)), done.calls].map((m) => ground.catalogue.get(m)?.label ?? m);
			run.isStopped = true;
			yield {
				...done,
				macro: id,
				step,
				path: here,
				said: `${round.join(' calls ')}: it would never end. Stopped here.`,
				fault: 'loop'
			};
			return activity;
		}
		yield { ...done, macro: id, step, path: here };
		if (done.calls !== undefined) activity = yield* play(done.calls, ground, activity, here, run);
	}
	return activity;
}

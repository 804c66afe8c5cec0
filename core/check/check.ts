import type { CommandId } from '../application/command.ts';
import type { Change } from '../profile/edit.ts';
import { properPrefixes, readable, type Keys } from '../stroke/stroke.ts';
import type { Circumstances } from './circumstances.ts';
import { contestOn, contestsOn, type Contest } from './contest.ts';
import { findingId, SEVERITIES, type CheckRule, type Finding, type Report, type Telling, type Told } from './finding.ts';
import { Notes } from './notes.ts';
import { CHECK_RULES } from './rules/rules.ts';

const RULES = Object.values(CHECK_RULES);
const ON_INPUT = RULES.filter((rule) => rule.onInput);
const ON_CONTEST = RULES.filter((rule) => rule.onContest);
const ON_COMMAND = RULES.filter((rule) => rule.onCommand);
const ON_WHOLE = RULES.filter((rule) => rule.onWhole);
const NONE: readonly never[] = [];

/** How many inputs or commands are looked at between two reports of progress. */
const STRIDE = 200;

/**
 * The findings of a profile, kept by what they are about, so that an edit re-checks only what it can affect. After any
 * edits they are those of a fresh check (tested as a property).
 */
export class Checks {
	#circumstances: Circumstances;
	readonly #byInput = new Map<Keys, Notes>();
	readonly #byCommand = new Map<CommandId, Notes>();
	#whole: Notes | undefined;
	/** The rule in hand, the input it looks at, and what has been noted there so far. */
	#rule!: CheckRule;
	#keys: Keys | undefined;
	#notes: Notes | undefined;
	readonly #report: Report = (severity, subject, situation, detail) =>
		(this.#notes ??= new Notes(this.#keys)).add(this.#rule.id, severity, subject, situation, detail);
	readonly #lookAtContest = (contest: Contest): void => {
		for (const rule of ON_CONTEST) {
			this.#rule = rule;
			rule.onContest!(contest, this.#circumstances, this.#report);
		}
	};
	/** Without having looked yet: `steps` does. */
	constructor(circumstances: Circumstances) {
		this.#circumstances = circumstances;
	}

	get circumstances(): Circumstances {
		return this.#circumstances;
	}

	/** Checks everything; yields the share that is done now and then, so that a worker can report and be stopped. */
	*steps(): Generator<number> {
		const { index } = this.#circumstances;
		this.#byInput.clear();
		this.#byCommand.clear();
		const inputs = [...index.allKeys()];
		const commands = [...new Set(ON_COMMAND.flatMap((rule) => rule.commandsOf!(index.catalogue)))];
		const all = inputs.length + commands.length;
		for (let i = 0; i < inputs.length; i++) {
			this.#lookAtInput(inputs[i]!);
			if (i % STRIDE === STRIDE - 1) yield i / all;
		}
		for (let i = 0; i < commands.length; i++) {
			this.#lookAtCommand(commands[i]!);
			if (i % STRIDE === STRIDE - 1) yield (inputs.length + i) / all;
		}
		this.#lookAtWhole();
	}

	/**
	 * Looks again at what the changes can affect: their inputs, the inputs that begin or go on from these, their commands and
	 * the opposites of those, and the whole; and at the inputs of macros that came, went or changed. `circumstances` are those
	 * after the changes.
	 */
	update(circumstances: Circumstances, changes: readonly Change[], macros: Iterable<CommandId> = []): void {
		const before = this.#circumstances.index;
		this.#circumstances = circumstances;
		const { index } = circumstances;
		const inputs = new Set<Keys>();
		const commands = new Set<CommandId>();
		const touch = (keys: Keys) => {
			inputs.add(keys);
			for (const prefix of properPrefixes(keys)) inputs.add(prefix);
			for (const side of [before, index]) for (const longer of side.longer(keys)) inputs.add(longer.keys);
		};
		for (const change of changes) {
			const { keys, command } = (change.before ?? change.after)!;
			touch(keys);
			commands.add(command);
		}
		for (const macro of macros) {
			commands.add(macro);
			for (const side of [before, index]) for (const { keys } of side.of(macro)) touch(keys);
		}
		for (const command of [...commands]) for (const partner of partnersOf(index.catalogue, command)) commands.add(partner);
		this.look(inputs, commands);
	}

	/** Looks at these inputs and commands and at the whole. */
	look(inputs: Iterable<Keys>, commands: Iterable<CommandId>): void {
		for (const keys of inputs) this.#lookAtInput(keys);
		for (const command of commands) this.#lookAtCommand(command);
		this.#lookAtWhole();
	}

	#lookAtInput(keys: Keys): void {
		this.#begin(keys);
		const { index } = this.#circumstances;
		if (index.living(keys).length > 0) contestOn(index, keys, this.#lookAtContest);
		for (const rule of ON_INPUT) {
			this.#rule = rule;
			rule.onInput!(keys, this.#circumstances, this.#report);
		}
		if (this.#notes) this.#byInput.set(keys, this.#notes);
		else if (this.#byInput.size > 0) this.#byInput.delete(keys);
	}

	#lookAtCommand(command: CommandId): void {
		this.#begin();
		for (const rule of ON_COMMAND) {
			this.#rule = rule;
			rule.onCommand!(command, this.#circumstances, this.#report);
		}
		if (this.#notes) this.#byCommand.set(command, this.#notes);
		else if (this.#byCommand.size > 0) this.#byCommand.delete(command);
	}

	#lookAtWhole(): void {
		this.#begin();
		for (const rule of ON_WHOLE) {
			this.#rule = rule;
			rule.onWhole!(this.#circumstances, this.#report);
		}
		this.#whole = this.#notes;
	}

	#begin(keys?: Keys): void {
		this.#keys = keys;
		this.#notes = undefined;
	}

	/** All, errors first, then in the order in which they were found. */
	list(): Finding[] {
		const lists = SEVERITIES.map((): Finding[] => []);
		for (const group of [this.#byInput.values(), this.#byCommand.values(), this.#whole ? [this.#whole] : NONE])
			for (const { findings } of group)
				for (const finding of findings) lists[SEVERITIES.indexOf(finding.severity)]!.push(finding);
		return lists.flat();
	}
}

/** The commands that name this one as their opposite, and the one that it names. */
function partnersOf(catalogue: Circumstances['index']['catalogue'], command: CommandId): Iterable<CommandId> {
	let partners = reverse.get(catalogue);
	if (!partners) {
		partners = new Map();
		for (const { id, opposite } of catalogue.values())
			if (opposite !== undefined)
				for (const [a, b] of [
					[id, opposite],
					[opposite, id]
				] as const) {
					const known = partners.get(a);
					if (known) known.add(b);
					else partners.set(a, new Set([b]));
				}
		reverse.set(catalogue, partners);
	}
	return partners.get(command) ?? NONE;
}
const reverse = new WeakMap<Circumstances['index']['catalogue'], Map<CommandId, Set<CommandId>>>();

/** Checks everything at once. */
export function checksOf(circumstances: Circumstances): Checks {
	const checks = new Checks(circumstances);
	for (const _ of checks.steps());
	return checks;
}

/** All findings of the profile behind the index, errors first. */
export function check(circumstances: Circumstances): Finding[] {
	return checksOf(circumstances).list();
}

/** Tells findings in words. */
export function teller(circumstances: Circumstances): (finding: Finding) => Told {
	return (finding) => tellAll(circumstances, [finding])[0]!;
}

/** Tells many findings in words; quickest when those on the same input follow each other, as they come from a check. */
export function tellAll(circumstances: Circumstances, findings: readonly Finding[]): Told[] {
	return contestsOn(circumstances.index, (contestOf) =>
		findings.map((finding) => new ToldFinding(finding, circumstances, tellingOf(finding, circumstances, contestOf)))
	);
}

function tellingOf(finding: Finding, circumstances: Circumstances, contestOf: (keys: Keys) => Contest): Telling {
	return CHECK_RULES[finding.rule].tell(finding, circumstances, () => contestOf(finding.witness.keys ?? ('' as Keys)));
}

/** What few who read a finding want is worked out when it is asked for. */
class ToldFinding implements Told {
	readonly rule: Told['rule'];
	readonly severity: Told['severity'];
	readonly command: CommandId;
	readonly bindings: Told['bindings'];
	readonly witness: Told['witness'];
	readonly detail: string | undefined;
	readonly sentence: string;
	readonly causes: Told['causes'];
	readonly #finding: Finding;
	readonly #circumstances: Circumstances;

	constructor(finding: Finding, circumstances: Circumstances, { sentence, causes }: Pick<Telling, 'sentence' | 'causes'>) {
		this.rule = finding.rule;
		this.severity = finding.severity;
		this.command = finding.command;
		this.bindings = finding.bindings;
		this.witness = finding.witness;
		this.detail = finding.detail;
		this.sentence = readable(sentence);
		this.causes = causes;
		this.#finding = finding;
		this.#circumstances = circumstances;
	}

	#later<T>(read: (telling: Telling) => T): T {
		return contestsOn(this.#circumstances.index, (contestOf) => read(tellingOf(this.#finding, this.#circumstances, contestOf)));
	}

	get id(): string {
		return findingId(this);
	}

	get count(): number {
		return this.#later(({ count }) => count);
	}

	get circumstances(): string {
		return this.#later((telling) => circumstancesText(this, telling));
	}
}

/** What the finding rests on, as a short text: the bindings on both sides and where it shows. */
function circumstancesText({ bindings, witness }: Finding, { causes, count }: Pick<Told, 'causes' | 'count'>): string {
	const text = JSON.stringify([bindings.map((b) => b.key).sort(), causes.map((b) => b.key).sort(), count, witness.keys]);
	// FNV-1a, 32 bits
	let hash = 0x811c9dc5;
	for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
	return (hash >>> 0).toString(16).padStart(8, '0');
}

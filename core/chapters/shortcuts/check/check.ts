import type { Input } from '../../../answer/input.ts';
import type { CommandId } from '../../../application/command.ts';
import type { Change } from '../../../shortcut/change.ts';
import { properPrefixes, readable, type Keys } from '../../../stroke/stroke.ts';
import type { Circumstances } from '../../../check/circumstances.ts';
import { contestsOn, type ContestOf } from './contest.ts';
import { findingId, RULE_IDS, type CheckRule, type Finding, type Report, type Telling, type Told } from './finding.ts';
import { SEVERITIES } from '../../../check/severity.ts';
import { fingerprint } from '../../../check/fingerprint.ts';
import { Notes, type Page } from './notes.ts';
import { CHECK_RULES } from './rules/rules.ts';

/** Each rule that looks at such a thing, with its place in `RULE_IDS`. */
const looking = <K extends keyof CheckRule>(at: K) =>
	RULE_IDS.flatMap((id, no) => {
		const look = CHECK_RULES[id][at];
		return look ? [{ no, look: look as NonNullable<CheckRule[K]> }] : [];
	});
const ON_INPUT = looking('onInput');
const ON_CONTEST = looking('onContest');
const ON_COMMAND = looking('onCommand');
const ON_WHOLE = looking('onWhole');
const COMMANDS_OF = looking('commandsOf');
const NONE: readonly never[] = [];

/** How many inputs or commands are looked at between two reports of progress. */
const STRIDE = 1000;

/** So many notes may be out of date whatever the size of the profile. */
const SLACK = 1000;

/**
 * The findings of a profile, kept by what they are about, so that an edit re-checks only what it can affect. After any
 * edits they are those of a fresh check (tested as a property).
 */
export class Checks {
	#circumstances: Circumstances;
	#notes = new Notes();
	/** How long the notes were when nothing in them was out of date. */
	#fresh = 0;
	/** What the look at all has found on each input; after an edit, `#byInput` stands in its place. */
	#first: { readonly inputs: readonly Input[]; readonly pages: (Page | undefined)[] } = { inputs: NONE, pages: [] };
	#byInput: Map<Keys, Page> | undefined;
	readonly #byCommand = new Map<CommandId, Page>();
	#whole: Page | undefined;
	/** The place of the rule in hand, and the keys of the input it looks at. */
	#ruleNo = 0;
	#keys: Keys | undefined;
	readonly #heard: ((finding: Finding, contestOf: ContestOf) => void) | undefined;
	readonly #report: Report = Object.assign<(...said: Parameters<Report>) => void, Pick<Report, 'each'>>(
		(severity, subject, situation, detail) => this.#notes.add(this.#ruleNo, severity, subject, situation, detail, this.#keys),
		{ each: (severity, contenders, detail) => this.#notes.addEach(this.#ruleNo, severity, contenders, detail) }
	);

	/** Without having looked yet: `steps` does. `heard` is called with each finding on an input while its contest is at hand. */
	constructor(circumstances: Circumstances, heard?: (finding: Finding, contestOf: ContestOf) => void) {
		this.#circumstances = circumstances;
		this.#heard = heard;
	}

	get circumstances(): Circumstances {
		return this.#circumstances;
	}

	/** Checks everything; yields the share that is done now and then, so that a worker can report and be stopped. */
	*steps(): Generator<number> {
		const { index } = this.#circumstances;
		this.#notes = new Notes();
		this.#byInput = undefined;
		this.#byCommand.clear();
		const inputs = index.inputs();
		const pages: (Page | undefined)[] = [];
		this.#first = { inputs, pages };
		const commands = [...new Set(COMMANDS_OF.flatMap(({ look }) => look(index.catalogue)))];
		const all = inputs.length + commands.length;
		for (let i = 0; i < inputs.length; i += STRIDE) {
			if (i > 0) yield i / all;
			this.#lookAtInputs(inputs.slice(i, i + STRIDE), (_, page) => pages.push(page));
		}
		for (let i = 0; i < commands.length; i += STRIDE) {
			yield (inputs.length + i) / all;
			for (const command of commands.slice(i, i + STRIDE)) this.#lookAtCommand(command);
		}
		this.#lookAtWhole();
		this.#fresh = this.#notes.length;
	}

	/**
	 * Looks again at what the changes can affect: their inputs, the inputs that begin or go on from these, their commands and
	 * the opposites of those, and the whole; and at the inputs of macros that came, went or changed. `circumstances` are those
	 * after the changes.
	 */
	update(circumstances: Circumstances, changes: readonly Change[], macros: Iterable<CommandId> = []): void {
		const { index: before, placed: placedBefore } = this.#circumstances;
		this.#circumstances = circumstances;
		const { index, placed } = circumstances;
		// with other situations nothing is as it was
		if (index.space !== before.space) {
			for (const _ of this.steps());
			return;
		}
		const inputs = new Set<Keys>();
		const commands = new Set<CommandId>();
		const touch = (keys: Keys) => {
			inputs.add(keys);
			for (const prefix of properPrefixes(keys)) inputs.add(prefix);
			for (const side of [before, index]) for (const longer of side.at(keys).longer) inputs.add(longer.keys);
		};
		// what comes into the bars or goes out of them gains or loses a way
		if (placed !== placedBefore) {
			for (const id of placed) if (!placedBefore.has(id)) commands.add(id);
			for (const id of placedBefore) if (!placed.has(id)) commands.add(id);
		}
		for (const change of changes) {
			const { keys, command } = (change.before ?? change.after)!;
			touch(keys);
			commands.add(command);
			// a lock that comes or goes lets others on the input come or go
			for (const [here, there] of [
				[before, index],
				[index, before]
			] as const)
				for (const binding of here.at(keys).bindings)
					if (!there.at(keys).bindings.some(({ key }) => key === binding.key)) commands.add(binding.command);
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
		const { index } = this.#circumstances;
		const pages = (this.#byInput ??= this.#firstByKeys());
		this.#lookAtInputs(
			Array.from(inputs, (keys) => index.at(keys)),
			({ keys }, page) => keep(pages, keys, page)
		);
		for (const command of commands) this.#lookAtCommand(command);
		this.#lookAtWhole();
		if (this.#notes.length > 2 * this.#fresh + SLACK) this.#copyNotes();
	}

	#firstByKeys(): Map<Keys, Page> {
		const { inputs, pages } = this.#first;
		const byKeys = new Map<Keys, Page>();
		pages.forEach((page, i) => {
			if (page !== undefined) byKeys.set(inputs[i]!.keys, page);
		});
		this.#first = { inputs: NONE, pages: [] };
		return byKeys;
	}

	#lookAtInputs(inputs: readonly Input[], found: (input: Input, page: Page | undefined) => void): void {
		const { index } = this.#circumstances;
		contestsOn(index, inputs.length, (contestOf) => {
			for (const input of inputs) {
				this.#keys = input.keys;
				if (input.living.length > 0) {
					const contest = contestOf(input);
					for (const { no, look } of ON_CONTEST) {
						this.#ruleNo = no;
						look(contest, this.#circumstances, this.#report);
					}
				}
				for (const { no, look } of ON_INPUT) {
					this.#ruleNo = no;
					look(input, this.#circumstances, this.#report);
				}
				const page = this.#notes.turn();
				found(input, page);
				if (this.#heard && page !== undefined) for (const finding of this.#notes.once(page)) this.#heard(finding, contestOf);
			}
		});
		this.#keys = undefined;
	}

	#lookAtCommand(command: CommandId): void {
		for (const { no, look } of ON_COMMAND) {
			this.#ruleNo = no;
			look(command, this.#circumstances, this.#report);
		}
		keep(this.#byCommand, command, this.#notes.turn());
	}

	#lookAtWhole(): void {
		for (const { no, look } of ON_WHOLE) {
			this.#ruleNo = no;
			look(this.#circumstances, this.#report);
		}
		this.#whole = this.#notes.turn();
	}

	/** Leaves behind the pages that nobody reads any more. */
	#copyNotes(): void {
		const notes = new Notes();
		const byInput = (this.#byInput ??= this.#firstByKeys());
		for (const [keys, page] of byInput) byInput.set(keys, notes.copy(this.#notes, page));
		for (const [command, page] of this.#byCommand) this.#byCommand.set(command, notes.copy(this.#notes, page));
		if (this.#whole !== undefined) this.#whole = notes.copy(this.#notes, this.#whole);
		this.#notes = notes;
		this.#fresh = notes.length;
	}

	/** All, errors first, then in the order in which they were found. */
	list(): Finding[] {
		const lists = SEVERITIES.map((): Finding[] => []);
		const sort = (finding: Finding) => void lists[SEVERITIES.indexOf(finding.severity)]!.push(finding);
		for (const page of this.#byInput?.values() ?? this.#first.pages)
			if (page !== undefined) for (const finding of this.#notes.on(page)) sort(finding);
		for (const finding of this.listOthers()) sort(finding);
		return lists.flat();
	}

	/** Those that are about a command or the whole, in the order in which they were found. */
	listOthers(): Finding[] {
		const pages = [...this.#byCommand.values(), ...(this.#whole === undefined ? NONE : [this.#whole])];
		return pages.flatMap((page) => this.#notes.on(page));
	}
}

function keep<K>(pages: Map<K, Page>, about: K, page: Page | undefined): void {
	if (page !== undefined) pages.set(about, page);
	else if (pages.size > 0) pages.delete(about);
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
	return contestsOn(circumstances.index, findings.length, (contestOf) =>
		findings.map((finding) => toldOf(finding, circumstances, contestOf))
	);
}

/**
 * What is taken of each finding of a check, in the order of `check`; quicker than to tell them afterwards. Of a large profile,
 * all that is told at once is many times what is kept of it.
 */
export function checkAndTell<T>(circumstances: Circumstances, take: (told: Told) => T): T[] {
	const lists = SEVERITIES.map((): T[] => []);
	const tell = (finding: Finding, contestOf: ContestOf) =>
		void lists[SEVERITIES.indexOf(finding.severity)]!.push(take(toldOf(finding, circumstances, contestOf)));
	const checks = new Checks(circumstances, tell);
	for (const _ of checks.steps());
	const others = checks.listOthers();
	contestsOn(circumstances.index, others.length, (contestOf) => others.forEach((finding) => tell(finding, contestOf)));
	return lists.flat();
}

const toldOf = (finding: Finding, circumstances: Circumstances, contestOf: ContestOf): Told =>
	new ToldFinding(finding, circumstances, tellingOf(finding, circumstances, contestOf));

function tellingOf(finding: Finding, circumstances: Circumstances, contestOf: ContestOf): Telling {
	return CHECK_RULES[finding.rule].tell(finding, circumstances, () =>
		contestOf(circumstances.index.at(finding.witness.keys ?? ('' as Keys)))
	);
}

/** What few who read a finding want is worked out when it is asked for. */
class ToldFinding implements Told {
	readonly sentence: string;
	readonly causes: Told['causes'];
	readonly #finding: Finding;
	readonly #circumstances: Circumstances;

	constructor(finding: Finding, circumstances: Circumstances, { sentence, causes }: Pick<Telling, 'sentence' | 'causes'>) {
		this.sentence = readable(sentence);
		this.causes = causes;
		this.#finding = finding;
		this.#circumstances = circumstances;
	}

	#later<T>(read: (telling: Telling) => T): T {
		return contestsOn(this.#circumstances.index, 1, (contestOf) =>
			read(tellingOf(this.#finding, this.#circumstances, contestOf))
		);
	}

	get rule(): Told['rule'] {
		return this.#finding.rule;
	}

	get severity(): Told['severity'] {
		return this.#finding.severity;
	}

	get command(): CommandId {
		return this.#finding.command;
	}

	get bindings(): Told['bindings'] {
		return this.#finding.bindings;
	}

	get witness(): Told['witness'] {
		return this.#finding.witness;
	}

	get detail(): string | undefined {
		return this.#finding.detail;
	}

	get id(): string {
		return findingId(this.#finding);
	}

	get count(): number {
		return this.#later((telling) => telling.count());
	}

	get circumstances(): string {
		return this.#later((telling) => circumstancesText(this.#finding, telling.causes, telling.count()));
	}
}

/** What the finding rests on, as a short text: the bindings on both sides and where it shows. */
function circumstancesText({ bindings, witness }: Finding, causes: Told['causes'], count: number): string {
	const text = JSON.stringify([bindings.map((b) => b.key).sort(), causes.map((b) => b.key).sort(), count, witness.keys]);
	return fingerprint(text);
}

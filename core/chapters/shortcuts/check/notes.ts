import type { Contender } from '../../../answer/rules/rule.ts';
import type { CommandId } from '../../../application/command.ts';
import { first, isEmpty } from '../../../context/bits.ts';
import type { Binding } from '../../../shortcut/effective.ts';
import type { Keys } from '../../../stroke/stroke.ts';
import { RULE_IDS, type Finding, type RuleId, type Sufferer } from './finding.ts';
import { SEVERITIES, type Severity } from '../../../check/severity.ts';

const SEVERITY_NO: Readonly<Record<Severity, number>> = { error: 0, attention: 1, note: 2 };

/** Where a page of notes begins. */
export type Page = number & { readonly page: unique symbol };

/** Stands behind the last note of a page. */
const END = -1;
/** In place of a situation: the note is about several bindings, each with a situation of its own. */
const EACH = -2;

/**
 * What the rules have noted, page by page: a page is about one input, one command or the whole. A check notes thousands and
 * few are read, so the notes stand in common lists and each becomes a finding when it is asked for.
 */
export class Notes {
	/** What suffers, or several that suffer each for itself. */
	readonly #subjects: (Sufferer | readonly Contender[] | undefined)[] = [];
	/** Its situation, `EACH`, or `END`. */
	readonly #situations: number[] = [];
	/** The place of its rule in `RULE_IDS`, times the number of severities, and that of its severity. */
	readonly #rules: number[] = [];
	/** Few notes have one. */
	readonly #details = new Map<number, string>();
	/** Of notes on an input that are about no binding. */
	readonly #keys = new Map<number, Keys>();
	/** The pages that were asked for. */
	readonly #read = new Map<Page, readonly Finding[]>();
	#page = 0 as Page;

	/** How many notes and ends of pages there are, also on pages that nobody reads any more. */
	get length(): number {
		return this.#situations.length;
	}

	/**
	 * Puts a note on the page in hand. `ruleNo` is the place of the rule in `RULE_IDS`; `keys` are those of the input that the
	 * page is about.
	 */
	add(ruleNo: number, severity: Severity, subject: Sufferer, situation: number, detail?: string, keys?: Keys): void {
		const at = this.#situations.length;
		if (detail !== undefined) this.#details.set(at, detail);
		if (keys !== undefined && typeof subject === 'string') this.#keys.set(at, keys);
		this.#subjects.push(subject);
		this.#situations.push(situation);
		this.#rules.push(ruleNo * SEVERITIES.length + SEVERITY_NO[severity]);
	}

	/** One note that is read as a finding on each of them (see `Report.each`). */
	addEach(ruleNo: number, severity: Severity, contenders: readonly Contender[], detail?: string): void {
		if (detail !== undefined) this.#details.set(this.#situations.length, detail);
		this.#subjects.push(contenders);
		this.#situations.push(EACH);
		this.#rules.push(ruleNo * SEVERITIES.length + SEVERITY_NO[severity]);
	}

	/** Ends the page in hand and begins another. Undefined if nothing stands on it. */
	turn(): Page | undefined {
		const page = this.#page;
		if (this.#situations.length === page) return undefined;
		this.#subjects.push(undefined);
		this.#situations.push(END);
		this.#rules.push(END);
		this.#page = this.#situations.length as Page;
		return page;
	}

	/** Writes a page of other notes here, as the page in hand. */
	copy(notes: Notes, page: Page): Page {
		for (let from: number = page; notes.#situations[from] !== END; from++) {
			const to = this.#situations.length;
			const [detail, keys] = [notes.#details.get(from), notes.#keys.get(from)];
			if (detail !== undefined) this.#details.set(to, detail);
			if (keys !== undefined) this.#keys.set(to, keys);
			this.#subjects.push(notes.#subjects[from]);
			this.#situations.push(notes.#situations[from]!);
			this.#rules.push(notes.#rules[from]!);
		}
		const copied = this.turn()!;
		const read = notes.#read.get(page);
		if (read) this.#read.set(copied, read);
		return copied;
	}

	/** The findings of a page; the same ones whenever they are asked for. */
	on(page: Page): readonly Finding[] {
		let findings = this.#read.get(page);
		if (!findings) this.#read.set(page, (findings = this.once(page)));
		return findings;
	}

	/** The findings of a page for somebody who does not come again: they are not kept. */
	once(page: Page): Finding[] {
		const findings: Finding[] = [];
		for (let at: number = page; this.#situations[at] !== END; at++) this.#spellOut(at, findings);
		return findings;
	}

	#spellOut(at: number, to: Finding[]): void {
		const subject = this.#subjects[at]!;
		const situation = this.#situations[at]!;
		if (situation === EACH)
			for (const { binding, reach, scope } of subject as readonly Contender[])
				to.push(
					this.#finding(at, binding.command, [binding], binding.keys, Math.max(0, isEmpty(reach) ? scope.first : first(reach)))
				);
		else if (typeof subject === 'string') to.push(this.#finding(at, subject as CommandId, NONE, this.#keys.get(at), situation));
		else {
			const bindings = isOne(subject as Binding) ? [subject as Binding] : (subject as readonly Binding[]);
			to.push(this.#finding(at, bindings[0]!.command, bindings, bindings[0]!.keys, situation));
		}
	}

	#finding(at: number, command: CommandId, bindings: readonly Binding[], keys: Keys | undefined, situation: number): Finding {
		const no = this.#rules[at]!;
		const rule: RuleId = RULE_IDS[Math.floor(no / SEVERITIES.length)]!;
		const severity = SEVERITIES[no % SEVERITIES.length]!;
		const witness = { keys, situation };
		const detail = this.#details.get(at);
		return detail === undefined
			? { rule, severity, command, bindings, witness }
			: { rule, detail, severity, command, bindings, witness };
	}
}

const NONE: readonly never[] = [];

const isOne = (subject: Binding | readonly Binding[]): subject is Binding => !Array.isArray(subject);

import type { CommandId } from '$core/application/command';
import { macroChecker } from '$core/chapters/macros/checker';
import { Macro, MACROS, macroIdFor, macrosIn, type MacroStep, type StepKind } from '$core/chapters/macros/macro';
import { duplicateOf, type Pattern } from '$core/chapters/macros/patterns';
import type { PlacedMacro } from '$core/chapters/macros/table';
import { dropMacro, lockMacro, removeMacro, setMacro } from '$core/chapters/macros/writing';
import { acceptancesOf, staleAcceptances } from '$core/check/acceptance';
import { profileFile, writeProfileFile } from '$core/hand-over/profile-file';
import { entryKeyFor } from '$core/strata/entry';
import { holding, levelOf } from '$core/strata/stratum';
import type { Workspace } from './workspace.svelte';

/** The macros of a profile and what is done to the one in hand. */
export class MacroDesk {
	readonly #workspace: Workspace;
	readonly #asked: () => CommandId | null;

	/** `asked` gives the macro that somebody wants to see. */
	constructor(workspace: Workspace, asked: () => CommandId | null) {
		this.#workspace = workspace;
		this.#asked = asked;
	}

	/** Those in force, by their labels. */
	list = $derived.by((): readonly PlacedMacro[] =>
		[...this.#workspace.macros.inForce.values()].sort((a, b) => a.macro.label.localeCompare(b.macro.label))
	);
	placed = $derived.by((): PlacedMacro | undefined => {
		const asked = this.#asked();
		return this.list.find(({ macro }) => macro.id === asked) ?? this.list[0];
	});

	get macro(): Macro | undefined {
		return this.placed?.macro;
	}

	/** Why nothing can be changed here; undefined where it can. */
	closed = $derived.by((): string | undefined => {
		const { placed } = this;
		if (!placed) return undefined;
		const { profile, targetId, target } = this.#workspace;
		const level = levelOf(profile, targetId);
		if (levelOf(profile, placed.stratum.id) > level)
			return `${placed.stratum.name} contains this macro. Edit ${placed.stratum.name} to change it; you are editing ${target.name}.`;
		if (placed.lockedBy && levelOf(profile, placed.lockedBy.id) < level)
			return `${placed.lockedBy.name} has locked this macro. Duplicate it to change a copy.`;
		return undefined;
	});

	/** Whether the stratum that is written to has its own word on the macro. */
	get isOwn(): boolean {
		return this.macro !== undefined && macrosIn(this.#workspace.target).has(entryKeyFor('set', this.macro.id));
	}

	get isLockedHere(): boolean {
		return this.macro !== undefined && macrosIn(this.#workspace.target).has(entryKeyFor('lock', this.macro.id));
	}

	/** Findings of the macro in hand, accepted ones among them. */
	get findings() {
		return this.#workspace.findings.of(MACROS).all.filter((f) => f.command === this.macro?.id);
	}

	/** Acceptances that say nothing any more. */
	get stale() {
		return staleAcceptances(
			acceptancesOf(this.#workspace.accepted, macroChecker.beginning),
			this.#workspace.findings.of(MACROS).all.map((f) => f.acceptable())
		);
	}

	/** Versions of the macro in hand that are without effect. */
	get idle() {
		return this.#workspace.macros.idle.filter((i) => i.entry.id === this.macro?.id);
	}

	/** Macros of lower strata that the one written to has taken away. */
	get gone() {
		return [...macrosIn(this.#workspace.target).values()].filter(({ op }) => op === 'remove');
	}

	/** What a new step runs until another command is chosen: the most used. */
	usual = $derived.by(() => {
		const { commands } = this.#workspace.document;
		return commands.reduce((best, c) => ((c.use ?? 0) > (best.use ?? 0) ? c : best), commands[0]!);
	});

	/** Writes the macro into the stratum in hand; of a lower one, as a version over it. */
	#write(label: string, after: Macro): Promise<boolean> {
		return this.#workspace.edits.commit(label, setMacro(this.#workspace.target, after));
	}

	/** Changes the macro in hand; what cannot be is told as a notice. */
	async change(what: string, changed: Partial<Macro>): Promise<void> {
		if (!this.macro) return;
		const { data, error } = Macro.safeParse({ ...this.macro, ...changed });
		if (data) await this.#write(`Macro ${data.label}: ${what}`, data);
		else this.#workspace.notice = { kind: 'failed', text: `The macro was not changed: ${error.issues[0]!.message}.` };
	}

	/** Makes a macro of a pattern, or as another one is. Its id, or undefined if it was not written. */
	async make(label: string, like: Pick<Pattern, 'inside' | 'steps'> | Macro): Promise<CommandId | undefined> {
		const { catalogue, profile } = this.#workspace;
		const id = macroIdFor(
			label,
			(taken) => catalogue.has(taken) || profile.some((s) => macrosIn(s).has(entryKeyFor('set', taken)))
		);
		const made = 'id' in like ? duplicateOf(like, id, label) : Macro.parse({ id, label, inside: like.inside, steps: like.steps });
		return (await this.#write(`Macro: ${label}`, made)) ? id : undefined;
	}

	/** Takes the own version away; of a lower stratum, says that it is not there. Whether it did. */
	async remove(): Promise<boolean> {
		const { macro, placed } = this;
		const { target, edits } = this.#workspace;
		if (!macro || !placed) return false;
		return this.isOwn
			? edits.commit(`Macro ${macro.label}: ${placed.over ? 'version' : 'macro'} deleted`, dropMacro(target, macro.id))
			: edits.commit(`Macro ${macro.label}: removed in ${target.name}`, removeMacro(target, macro.id));
	}

	bringBack(id: CommandId): Promise<boolean> {
		return this.#workspace.edits.commit(`Macro ${id}: restored`, dropMacro(this.#workspace.target, id));
	}

	async lock(isLocked: boolean): Promise<void> {
		if (!this.macro) return;
		const { target, edits } = this.#workspace;
		const label = `Macro ${this.macro.label}: ${isLocked ? 'locked' : 'unlocked'} in ${target.name}`;
		await edits.commit(label, lockMacro(target, this.macro.id, isLocked));
	}

	/** A step of the kind, to be filled in. */
	fresh = (kind: StepKind): MacroStep => {
		switch (kind) {
			case 'cancel':
			case 'accept':
				return { do: kind };
			case 'run':
				return { do: 'run', command: this.usual.id };
			case 'type':
				return { do: 'type', text: '10' };
			case 'pick':
				return { do: 'pick', what: '' };
			case 'launch':
				return { do: 'launch', program: 'viewer', arguments: [] };
		}
	};

	/** The chosen macros in force as a profile file that says nothing else, of the stratum that is written to. */
	fileOf(chosen: ReadonlySet<CommandId>): { name: string; text: string } {
		const { target, document } = this.#workspace;
		const content = new Map(
			this.list
				.filter(({ macro }) => chosen.has(macro.id))
				.map(({ macro }, rank) => [entryKeyFor('set', macro.id), { op: 'set' as const, ...macro, rank }])
		);
		const only = holding({ ...target, contents: {} }, MACROS, content);
		return {
			name: `${document.application.id}-macros.json`,
			text: writeProfileFile(profileFile(document.application, [only]))
		};
	}
}

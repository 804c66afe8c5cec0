import { valueProblem, valueText, type OptionDefinition, type OptionValue } from '$core/application/option';
import { closedFor, type OptionRow } from '$core/chapters/options/listing';
import { lockOption, resetOption, setOption } from '$core/chapters/options/writing';
import type { Workspace } from './workspace.svelte';

/** What is done to options, wherever they are shown. */
export class OptionDesk {
	readonly #workspace: Workspace;

	constructor(workspace: Workspace) {
		this.#workspace = workspace;
	}

	/** Why the option cannot be set in the stratum that is written to; undefined where it can. */
	closedFor(row: Pick<OptionRow, 'lockedBy' | 'stratum'>): string | undefined {
		const why = closedFor(row, this.#workspace.profile, this.#workspace.targetId);
		return why && `${why}.`;
	}

	/** Sets the option; gives why it was not, where the option cannot have the value. */
	set(definition: OptionDefinition, value: OptionValue): string | undefined {
		const { target, edits } = this.#workspace;
		const problem = valueProblem(definition, value);
		if (problem) this.#workspace.notice = { kind: 'failed', text: `${definition.label} was not changed: ${problem}.` };
		else void edits.commit(`${definition.label}: ${valueText(definition, value)}`, setOption(target, definition.path, value));
		return problem;
	}

	reset({ definition, below }: OptionRow): void {
		const { target, edits } = this.#workspace;
		void edits.commit(`${definition.label}: reset to ${valueText(definition, below)}`, resetOption(target, definition.path));
	}

	resetAll(rows: readonly OptionRow[]): void {
		const { target, edits } = this.#workspace;
		void edits.commit(
			`Options: all ${rows.length} of ${target.name} reset`,
			rows.flatMap((row) => resetOption(target, row.definition.path))
		);
	}

	lock({ definition }: OptionRow, isLocked: boolean): void {
		const { target, edits } = this.#workspace;
		void edits.commit(
			`${definition.label}: ${isLocked ? 'locked' : 'unlocked'} in ${target.name}`,
			lockOption(target, definition.path, isLocked)
		);
	}
}

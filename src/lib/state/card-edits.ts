import { put, takeAway } from '$core/answer/choices';
import type { Command } from '$core/application/command';
import { scopeText, type Scope } from '$core/context/scope';
import { takingBack } from '$core/profile/differences';
import { ofShortcuts, type Change } from '$core/shortcut/change';
import type { Binding } from '$core/shortcut/effective';
import { commitWithin } from './within-reach';
import type { Workspace } from './workspace.svelte';

/** What is done to the shortcuts of one command from its card. What cannot be written is told as a notice. */
export class CardEdits {
	readonly #workspace: Workspace;
	readonly #command: () => Command;

	constructor(workspace: Workspace, command: () => Command) {
		this.#workspace = workspace;
		this.#command = command;
	}

	#write(label: string, changes: () => Change[]): Promise<boolean> {
		return commitWithin(this.#workspace, label, () => ofShortcuts(changes()));
	}

	remove(binding: Binding): Promise<boolean> {
		const { index, profile, targetId } = this.#workspace;
		return this.#write(`Remove ${binding.keys} from ${this.#command().label}`, () => takeAway(index, profile, targetId, binding));
	}

	restore({ command, keys, scope }: Binding): Promise<boolean> {
		const { profile, targetId } = this.#workspace;
		return this.#write(`Restore ${keys} for ${this.#command().label}`, () => put(profile, targetId, { command, keys, scope }));
	}

	/** Whether the shortcut is limited so, be it that it was. */
	limit(binding: Binding, scope: Scope): Promise<boolean> {
		if (scopeText(scope) === binding.scopeText) return Promise.resolve(true);
		const { index, profile, targetId, space } = this.#workspace;
		const moved = { command: binding.command, keys: binding.keys, scope };
		return this.#write(`Limit ${binding.keys} for ${this.#command().label} to ${space.scopeLabel(scope)}`, () => [
			...takeAway(index, profile, targetId, binding),
			...put(profile, targetId, moved, 1)
		]);
	}

	/** What a lock or an upper stratum holds stays, and is told. */
	async backToFactory(): Promise<void> {
		const { index, profile, targetId: target, draft, edits } = this.#workspace;
		const command = this.#command();
		const mine = draft.againstFactory.filter((difference) => difference.command === command.id);
		const { changes, stays } = takingBack(mine, { index, profile }, { profile, target });
		const isDone = changes.length > 0 && (await edits.commit(`Back to factory: ${command.label}`, changes));
		if (stays.length > 0 && (isDone || changes.length === 0))
			this.#workspace.notice = {
				kind: 'failed',
				text: `${stays.length} ${stays.length === 1 ? 'stays' : 'stay'}: ${stays[0]!.reason}.`
			};
	}
}

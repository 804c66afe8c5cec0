import { counted } from '$core/text/counted';
import { put, takeAway } from '$core/answer/choices';
import type { OppositeOffer } from '$core/answer/opposite';
import { verdict } from '$core/answer/verdict';
import type { Command } from '$core/application/command';
import type { Difference } from '$core/chapter/chapter';
import type { ShortcutDifference } from '$core/chapters/shortcuts/diff';
import { scopeText, type Scope } from '$core/context/scope';
import { indexOf } from '$core/profile/circumstances';
import { takingBack } from '$core/profile/differences';
import { applyEdit } from '$core/profile/edit';
import { ofShortcuts, type Change } from '$core/shortcut/change';
import type { Binding } from '$core/shortcut/effective';
import { entryKey, shortcutsIn, SHORTCUTS, type Entry } from '$core/shortcut/entry';
import { nextRank } from '$core/strata/entry';
import type { Keys } from '$core/stroke/stroke';
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

	/** Keeps what an input does here from being changed by the strata above, or lets it be changed again. */
	lock({ command, keys, scope }: Binding, isLocked: boolean): Promise<boolean> {
		const { target } = this.#workspace;
		const there = shortcutsIn(target);
		const before = there.get(entryKey({ op: 'lock', command, keys, scope })) ?? null;
		const after: Entry | null = isLocked ? { op: 'lock', command, keys, scope, rank: nextRank(there) } : null;
		return this.#write(`${isLocked ? 'Lock' : 'Unlock'} ${keys} for ${this.#command().label}`, () =>
			before || after ? [{ stratum: target.id, before, after }] : []
		);
	}

	/** Gives Shift with the key of a command to its opposite. */
	giveOpposite({ command, keys, scope }: OppositeOffer): Promise<boolean> {
		const { profile, targetId, catalogue } = this.#workspace;
		return this.#write(`${keys} for ${catalogue.get(command)!.label}`, () => put(profile, targetId, { command, keys, scope }));
	}

	/** Also gives back the keys that were taken from others for it. What a lock or an upper stratum holds stays, and is told. */
	async backToFactory(): Promise<void> {
		const { index, profile, targetId: target, draft, edits, catalogue } = this.#workspace;
		const command = this.#command();
		const mine = draft.againstFactory.filter((difference) => difference.command === command.id);
		const freed = new Set(keysAdded(mine));
		const taken = draft.againstFactory.filter(
			(one) => one.command !== command.id && one.kind === 'removed' && keysOfDifference(one).some((keys) => freed.has(keys))
		);
		const own = takingBack(mine, { index, profile }, { profile, target });
		const stays = own.stays.map(({ reason }) => reason);
		const changes = [...own.changes];
		for (const difference of taken) {
			const after = applyEdit(profile, changes);
			const ground = { index: indexOf(this.#workspace.subject, after), profile: after };
			const { command: of, keys, scope } = (difference.said as ShortcutDifference).binding;
			const { meetings } = verdict(ground.index, { command: of, keys, scope });
			const label = catalogue.get(of)?.label ?? of;
			if (meetings.length > 0) {
				const other = meetings[0]!.binding.command;
				stays.push(`${keys} cannot return to ${label}: ${catalogue.get(other)?.label ?? other} uses it now`);
				continue;
			}
			const back = takingBack([difference], ground, { profile: after, target });
			changes.push(...back.changes);
			stays.push(...back.stays.map(({ reason }) => reason));
		}
		const isDone = changes.length > 0 && (await edits.commit(`Reset to default: ${command.label}`, changes));
		if (stays.length > 0 && (isDone || changes.length === 0))
			this.#workspace.notice = {
				kind: 'failed',
				text: `${counted(stays.length, 'stays', 'stay')}: ${stays[0]!}.`
			};
	}
}

/** The keys that differences of shortcuts are about. */
const keysOfDifference = ({ chapter, said }: Difference): Keys[] =>
	chapter === SHORTCUTS ? [(said as ShortcutDifference).binding.keys] : [];

const keysAdded = (differences: readonly Difference[]): Keys[] =>
	differences.filter(({ kind }) => kind === 'added').flatMap(keysOfDifference);

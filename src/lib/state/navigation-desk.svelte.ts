import { put, takeAway } from '$core/answer/choices';
import type { CommandId } from '$core/application/command';
import { rosesOf, triggerText } from '$core/chapters/gestures/gesture';
import {
	isNavigationOption,
	mannersBeside,
	navigationBeside,
	takeOver,
	type Elsewhere,
	type MannerRow,
	type NavigationRow
} from '$core/chapters/gestures/navigation';
import { optionRows, type OptionRow } from '$core/chapters/options/listing';
import type { AnyChange } from '$core/profile/edit';
import type { SaidElsewhere } from '$lib/server/elsewhere';
import { POINTER_DEVICES, USUAL_POINTER, type Pointer } from '$core/keyboard/desk';
import { listed } from '$core/text/listed';
import { BUTTONS, mouseKey, mouseLegend, type Button, type MouseInput } from '$core/stroke/mouse';
import { keysOf, legendsOf, MODIFIERS, strokesOf, type Keys, type Modifier } from '$core/stroke/stroke';
import { ofShortcuts } from '$core/shortcut/change';
import type { Binding } from '$core/shortcut/effective';
import { OutOfReachError } from '$core/strata/change';
import { ask } from './api';
import { commitWithin } from './within-reach';
import type { Workspace } from './workspace.svelte';

/** The part of the device that is looked at: a button, or the wheel. */
export type Part = Button | 'Wheel';

/** The modifiers that stand side by side. */
export const HELD: readonly (readonly Modifier[])[] = [[], ['Shift'], ['Ctrl'], ['Alt']];

const MOTIONS_OF: Readonly<Record<'button' | 'wheel', readonly string[]>> = {
	button: ['Drag', 'Click', 'DoubleClick', 'Hold'],
	wheel: ['Up', 'Down']
};

/** What a part of the device says in one way, with each of the modifiers. */
export interface MotionRow {
	readonly name: string;
	readonly cells: readonly { readonly keys: Keys; readonly bindings: readonly Binding[] }[];
}

/** What the pointing device says but for flicks: what each button does, and how another program is navigated. */
export class NavigationDesk {
	readonly #workspace: Workspace;
	chosen = $state<Pointer | undefined>(undefined);
	part = $state<Part>('Middle');
	selected = $state<Keys | undefined>(undefined);
	/** What other programs do, and which of them is looked at. */
	#elsewhere = $state.raw<Elsewhere>({});
	#manners = $state.raw<SaidElsewhere['manners']>({});
	other = $state('');

	constructor(workspace: Workspace) {
		this.#workspace = workspace;
	}

	async load(): Promise<void> {
		const { actions, manners } = await ask<SaidElsewhere>(`${this.#workspace.path}/elsewhere`);
		this.#elsewhere = actions;
		this.#manners = manners;
	}

	get pointer(): Pointer {
		return this.chosen ?? this.#workspace.office.usual.pointer ?? USUAL_POINTER;
	}

	parts = $derived.by((): readonly Part[] => {
		const { buttons, wheel } = POINTER_DEVICES[this.pointer];
		return [...BUTTONS.filter((button) => buttons.includes(button)), ...(wheel ? (['Wheel'] as const) : [])];
	});

	/** What the part says, by the way it is used. */
	rows = $derived.by((): MotionRow[] => {
		const { index } = this.#workspace;
		const { part } = this;
		return MOTIONS_OF[part === 'Wheel' ? 'wheel' : 'button'].map((motion): MotionRow => {
			const input = (
				part === 'Wheel' ? { kind: 'wheel', wheel: motion } : { kind: 'button', button: part, motion }
			) as MouseInput;
			return {
				name: mouseLegend(input),
				cells: HELD.map((modifiers) => {
					const keys = keysOf([{ modifiers: MODIFIERS.filter((m) => modifiers.includes(m)), key: mouseKey(input) }]);
					return { keys, bindings: index.on(keys) };
				})
			};
		});
	});

	/** How many things a part does, flicks among them. */
	countOf(part: Part): number {
		return this.#workspace.effective.bindings.filter(({ keys }) => {
			const { key } = strokesOf(keys)[0]!;
			return key.startsWith(part) && key.length > 6;
		}).length;
	}

	/** The roses that hear the part. */
	rosesOn(part: Part): string {
		const roses = rosesOf(this.#workspace.profile).filter(({ entry }) => entry.button === part);
		return listed([...new Set(roses.map(({ entry }) => triggerText(entry)))]);
	}

	async assign(keys: Keys, command: CommandId): Promise<void> {
		const { index, profile, targetId, catalogue } = this.#workspace;
		const everywhere = index.on(keys).filter((binding) => binding.scopeText === '' && binding.command !== command);
		await this.#commit(`Navigation: ${catalogue.get(command)?.label ?? command} on ${nameOf(keys)}`, () =>
			ofShortcuts([
				...everywhere.flatMap((binding, i) => takeAway(index, profile, targetId, binding, i)),
				...put(profile, targetId, { command, keys, scope: {} }, everywhere.length)
			])
		);
	}

	async clear(keys: Keys): Promise<void> {
		const { index, profile, targetId } = this.#workspace;
		await this.#commit(`Navigation: clear ${nameOf(keys)}`, () =>
			ofShortcuts(index.on(keys).flatMap((binding, i) => takeAway(index, profile, targetId, binding, i)))
		);
	}

	/** The programs that say with the mouse what some action of this one means. */
	others = $derived.by((): string[] => {
		const names = new Set(Object.values(this.#elsewhere).flatMap((said) => said.map(({ application }) => application)));
		return [...names].filter((name) => navigationBeside(this.#workspace.index, this.#elsewhere, name).length > 0);
	});

	beside = $derived.by((): NavigationRow[] =>
		this.other === '' ? [] : navigationBeside(this.#workspace.index, this.#elsewhere, this.other)
	);

	get #options() {
		return this.#workspace.index.rules.options ?? [];
	}

	/** How this program lets itself be navigated. */
	manners = $derived.by((): OptionRow[] => {
		const { profile, targetId } = this.#workspace;
		return optionRows(this.#options.filter(isNavigationOption), profile, targetId);
	});

	mannersBeside = $derived.by((): MannerRow[] => {
		const { profile, targetId } = this.#workspace;
		return mannersBeside(this.#options, profile, targetId, this.#manners[this.other] ?? {});
	});

	/** What taking the other program’s navigation over would change; a text says why it cannot be. */
	taking = $derived.by(() => {
		const { index, profile, targetId } = this.#workspace;
		try {
			return takeOver(index, profile, targetId, this.beside, this.mannersBeside);
		} catch (error) {
			if (!(error instanceof OutOfReachError)) throw error;
			return error.message;
		}
	});

	async takeOver(): Promise<void> {
		const { taking } = this;
		if (typeof taking === 'string') return;
		await this.#commit(`Navigation as in ${this.other}`, () => taking.changes);
	}

	async #commit(label: string, make: () => readonly AnyChange[]): Promise<void> {
		await commitWithin(this.#workspace, label, make);
	}
}

const nameOf = (keys: Keys): string => legendsOf(strokesOf(keys)[0]!).join(' ');

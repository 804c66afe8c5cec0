import { profileIn, stateText, type State } from '$core/release/states';
import type { Profile } from '$core/strata/stratum';
import { strataInRelease } from './released';
import type { Notice } from './notice';

/** What is looked at, as far as it matters here. */
interface LookedAt {
	readonly path: string;
	readonly channel: number | null;
	notice: Notice | undefined;
	readonly profile: Profile;
	readonly next: { readonly goesOut: Parameters<typeof profileIn>[1]['goesOut'] };
	situation: number;
	readonly space: { readonly situations: readonly unknown[] };
	readonly findings: { readonly checks: { stop(): void } };
}

/** In which state a setup is looked at by the views that answer questions: as edited, next release, at the seats, or one release. */
export class ShownState<Workspace extends LookedAt> {
	readonly #workspace: Workspace;
	/** The same application with other strata, for looking only. */
	readonly #open: (strata: Profile, readOnly: string) => Workspace;
	state = $state<State>('edited');
	/** The release that is looked at: the one that seats follow, or the chosen one. */
	release = $state<number | null>(null);
	/** What is looked at; undefined while it is read. */
	workspace = $state.raw<Workspace | undefined>(undefined);
	busy = $state(false);

	constructor(workspace: Workspace, open: (strata: Profile, readOnly: string) => Workspace) {
		this.#workspace = workspace;
		this.#open = open;
	}

	/** The state in words, as prints and exports name it. */
	get text(): string {
		return stateText(this.state, this.release);
	}

	/** Turns to a state; reads the release that it needs. */
	async choose(state: State, release: number | null = this.#workspace.channel): Promise<void> {
		this.busy = true;
		try {
			const frozen = state === 'edited' || release === null ? [] : await strataInRelease(this.#workspace.path, release);
			this.#frozen = frozen;
			[this.state, this.release] = [state, release];
			this.build();
		} catch (error) {
			this.#workspace.notice = { kind: 'failed', text: (error as Error).message };
		} finally {
			this.busy = false;
		}
	}

	#frozen: Profile = [];

	/** Makes anew what is looked at, as after an edit. */
	build(): void {
		const { profile, next, situation } = this.#workspace;
		if (this.state === 'edited') return void (this.workspace = undefined);
		const shown = profileIn(this.state, { profile, frozen: this.#frozen, goesOut: next.goesOut });
		const made = this.#open(shown, `You see your setup ${this.text}. Switch to “Edited” to change it.`);
		if (situation < made.space.situations.length) made.situation = situation;
		this.workspace?.findings.checks.stop();
		this.workspace = made;
	}
}

import { startWorker } from '$lib/workers/start-worker';
import { Checks } from '$core/chapters/shortcuts/check/check';
import type { OpenApplication } from '$core/application/application';
import { circumstancesOf } from '$core/profile/circumstances';
import { followEdit } from '$core/profile/follow-edit';
import type { Finding } from '$core/chapters/shortcuts/check/finding';
import type { Command } from '$core/application/command';
import { shortcutsCount } from '$core/shortcut/entry';
import { desksOf, type DeskSetup } from '$core/keyboard/desk';
import type { AnyChange } from '$core/profile/edit';
import type { Profile, Stratum } from '$core/strata/stratum';
import type { FromCheck, ToCheck } from '$lib/workers/check';

type Seats = readonly { readonly id: string; readonly desk: DeskSetup }[];

/** Up to this many entries a full check takes less than a frame or two and runs at once. */
const CHECK_AT_ONCE = 2_000;

/**
 * The check of one profile, kept while it is edited: an edit re-checks only what it can affect. A large profile is checked
 * in a worker, which reports how far it is and can be stopped.
 */
export class CheckSession {
	findings = $state.raw<readonly Finding[]>([]);
	/** The profile that the findings are of. */
	checked = $state.raw<Profile | undefined>(undefined);
	/** The share that is done, from 0 to 1, while a full check runs in the worker. */
	progress = $state<number | undefined>(undefined);
	/** A full check was stopped before its end; the findings are of an earlier state. */
	stopped = $state(false);

	#subject: OpenApplication | undefined;
	#desks: ReturnType<typeof desksOf> = [];
	#released: Stratum | null = null;
	#checks: Checks | undefined;
	#worker: Worker | undefined;
	/** The profiles that the worker has still to answer for, in order. */
	#asked: Profile[] = [];
	#restart: (() => void) | undefined;

	/** Checks everything anew. */
	start(subject: OpenApplication & { commands: readonly Command[] }, profile: Profile, seats: Seats, released: Stratum | null) {
		this.stop();
		this.#restart = () => this.start(subject, profile, seats, released);
		this.stopped = false;
		this.#subject = subject;
		this.#desks = desksOf(seats);
		this.#released = released;
		if (shortcutsCount(profile) <= CHECK_AT_ONCE) {
			this.#checks = new Checks(circumstancesOf(subject, profile, this.#desks, released));
			for (const _ of this.#checks.steps());
			this.#found(this.#checks.list(), profile);
			return;
		}
		this.#checks = undefined;
		this.progress = 0;
		this.#worker = startWorker('check');
		let coming: Finding[] = [];
		this.#worker.onmessage = ({ data }: MessageEvent<FromCheck>) => {
			if (data.kind === 'progress') this.progress = data.done;
			else {
				coming = data.first ? [...data.findings] : coming.concat(data.findings);
				if (!data.last) return;
				this.#found(coming, this.#asked.shift()!);
				this.progress = undefined;
			}
		};
		const { application, commands } = subject;
		this.#asked = [profile];
		this.#say({ kind: 'start', application, commands, profile, desks: this.#desks, released });
	}

	#say(message: ToCheck) {
		this.#worker?.postMessage(message);
	}

	/** Follows an edit that is part of `profile` already. */
	edit(profile: Profile, changes: readonly AnyChange[]) {
		if (this.#checks) {
			followEdit(this.#checks, circumstancesOf(this.#subject!, profile, this.#desks, this.#released), changes);
			this.#found(this.#checks.list(), profile);
		} else {
			this.#asked.push(profile);
			this.#say({ kind: 'edit', changes });
		}
	}

	#found(findings: readonly Finding[], of: Profile) {
		this.findings = findings;
		this.checked = of;
	}

	/** Stops a check in the worker; the findings stay as they were. */
	stop() {
		this.stopped = this.progress !== undefined;
		this.progress = undefined;
		this.#worker?.terminate();
		this.#worker = undefined;
	}

	again() {
		this.#restart?.();
	}
}

import { Checks } from '$core/chapters/shortcuts/check/check';
import type { OpenApplication } from '$core/application/application';
import { circumstancesOf } from '$core/profile/circumstances';
import type { Finding } from '$core/chapters/shortcuts/check/finding';
import { catalogueOf, type Application } from '$core/application/application';
import type { Command } from '$core/application/command';
import { contextSpace } from '$core/context/space';
import type { Desk } from '$core/keyboard/desk';
import { followEdit } from '$core/profile/follow-edit';
import { applyEdit, type AnyChange } from '$core/profile/edit';
import type { Profile, Stratum } from '$core/strata/stratum';

export type ToCheck =
	| {
			readonly kind: 'start';
			readonly application: Application;
			readonly commands: readonly Command[];
			readonly profile: Profile;
			readonly desks: readonly Desk[];
			readonly released: Stratum | null;
	  }
	| { readonly kind: 'edit'; readonly changes: readonly AnyChange[] };

export type FromCheck =
	| { readonly kind: 'progress'; readonly done: number }
	| { readonly kind: 'found'; readonly findings: readonly Finding[]; readonly first: boolean; readonly last: boolean };

/** So many findings go in one message, so that the page is never held up by taking them over. */
const PORTION = 1_000;

let subject: OpenApplication;
let profile: Profile;
let desks: readonly Desk[];
let released: Stratum | null;
let checks: Checks;

const say = (message: FromCheck) => self.postMessage(message);

function tellAll() {
	const findings = checks.list();
	for (let at = 0; at === 0 || at < findings.length; at += PORTION)
		say({
			kind: 'found',
			findings: findings.slice(at, at + PORTION),
			first: at === 0,
			last: at + PORTION >= findings.length
		});
}

export const hear = ({ data }: MessageEvent<ToCheck>) => {
	if (data.kind === 'start') {
		const space = contextSpace(data.application.axes, data.application.reachable);
		subject = { application: data.application, space, catalogue: catalogueOf(data.commands, space) };
		({ profile, desks, released } = data);
		checks = new Checks(circumstancesOf(subject, profile, desks, released));
		for (const done of checks.steps()) say({ kind: 'progress', done });
	} else {
		profile = applyEdit(profile, data.changes);
		followEdit(checks, circumstancesOf(subject, profile, desks, released), data.changes);
	}
	tellAll();
};

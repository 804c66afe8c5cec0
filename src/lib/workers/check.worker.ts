import { shortcutIndex } from '$core/answer/shortcut-index';
import { catalogueOf, type Application } from '$core/application/application';
import type { Command } from '$core/application/command';
import { check, told } from '$core/check/check';
import { contextSpace } from '$core/context/space';
import { effectiveProfile } from '$core/profile/effective';
import type { Profile } from '$core/profile/stratum';

export interface CheckTask {
	readonly application: Application;
	readonly commands: readonly Command[];
	readonly profile: Profile;
}

self.onmessage = ({ data: { application, commands, profile } }: MessageEvent<CheckTask>) => {
	const space = contextSpace(application.axes, application.reachable);
	const index = shortcutIndex(effectiveProfile(profile), space, catalogueOf(commands, space), application.rules);
	self.postMessage([...told(check({ index }), { index })]);
};

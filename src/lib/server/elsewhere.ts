import type { OptionValue } from '../../../core/application/option.ts';
import { isNavigationOption } from '../../../core/chapters/gestures/navigation.ts';
import { valueOf } from '../../../core/chapters/options/option.ts';
import { indexOf } from '../../../core/profile/circumstances.ts';
import type { Person } from '../../../core/people/person.ts';
import type { Office } from './office.ts';

/** What the office's other applications say of what this one knows too. */
export interface SaidElsewhere {
	/** The inputs that an action has there, by the action. */
	readonly actions: Record<string, { keys: string; application: string }[]>;
	/** How they let themselves be navigated: values by option, by application. */
	readonly manners: Record<string, Record<string, OptionValue>>;
}

/** Looks through all applications but one. One that cannot be read says nothing, and harms no other. */
export async function saidElsewhere(
	{ profiles, setups }: Pick<Office, 'profiles' | 'setups'>,
	person: Person,
	id: string
): Promise<SaidElsewhere> {
	const actions: SaidElsewhere['actions'] = {};
	const manners: SaidElsewhere['manners'] = {};
	for (const other of await profiles.list()) {
		if (other.id === id) continue;
		const workspace = await profiles.load(other.id).catch((error: Error) => {
			console.error(`The application ${other.id} cannot be read: ${error.message}`);
			return undefined;
		});
		if (!workspace) continue;
		const profile = await setups.profile(other.id, person);
		const index = indexOf(workspace, profile);
		for (const { id: command, action } of workspace.commands)
			if (action !== undefined)
				for (const { keys } of index.of(command)) (actions[action] ??= []).push({ keys, application: other.name });
		const options = (workspace.application.rules.options ?? []).filter(isNavigationOption);
		manners[other.name] = Object.fromEntries(options.map((option) => [option.path, valueOf(profile, option)]));
	}
	return { actions, manners };
}

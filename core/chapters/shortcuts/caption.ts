import type { Caption, Names } from '../../profile/chapter.ts';
import type { Shortcut } from './entry.ts';

export const caption = ({ keys, command, scope }: Shortcut, names: Names): Caption => ({
	keys,
	label: names.command(command),
	detail: names.scope(scope)
});

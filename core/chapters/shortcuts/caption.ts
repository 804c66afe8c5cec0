import type { Caption, Names } from '../../chapter/chapter.ts';
import type { Shortcut } from '../../shortcut/entry.ts';

export const caption = ({ keys, command, scope }: Shortcut, names: Names): Caption => ({
	keys,
	label: names.command(command),
	detail: names.scope(scope)
});

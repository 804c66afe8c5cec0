import { isAccepted, type Acceptable } from '../../../check/acceptance.ts';
import type { Circumstances } from '../../../check/circumstances.ts';
import { check, tellAll } from './check.ts';
import type { Told } from './finding.ts';

export const acceptable = ({ id, circumstances, command, witness, bindings: [binding] }: Told): Acceptable => ({
	id,
	circumstances,
	command,
	keys: witness.keys,
	scope: binding?.scope ?? {}
});

/** The errors that nobody has accepted. */
export function errorsLeft(circumstances: Circumstances): Told[] {
	const errors = check(circumstances).filter((finding) => finding.severity === 'error');
	return tellAll(circumstances, errors).filter((told) => !isAccepted(circumstances.accepted, told));
}

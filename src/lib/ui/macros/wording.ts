import type { StepKind } from '$core/chapters/macros/macro';

/** What the interface calls a kind of step, what it says of it, and a shape that tells it from the others. */
export const STEP_LOOKS: Readonly<Record<StepKind, { readonly name: string; readonly tells: string; readonly shape: string }>> = {
	cancel: { name: 'Cancel', tells: 'ends whatever runs', shape: '⊘' },
	run: { name: 'Run', tells: 'runs a command or a macro', shape: '▸' },
	type: { name: 'Type', tells: 'types a text', shape: 'T' },
	accept: { name: 'Accept', tells: 'does what Enter does', shape: '⏎' },
	pick: { name: 'Wait for a pick', tells: 'goes on when something was picked', shape: '✛' },
	launch: { name: 'Launch', tells: 'starts a program beside', shape: '↗' }
};

import type { StepKind } from '$core/chapters/macros/macro';

/** What the interface calls a kind of step, what it says of it, and a shape that tells it from the others. */
export const STEP_LOOKS: Readonly<Record<StepKind, { readonly name: string; readonly tells: string; readonly shape: string }>> = {
	cancel: { name: 'Cancel', tells: 'cancels the running command', shape: '⊘' },
	run: { name: 'Run', tells: 'runs a command or a macro', shape: '▸' },
	type: { name: 'Type', tells: 'types a text', shape: 'T' },
	accept: { name: 'Accept', tells: 'same as Enter', shape: '⏎' },
	pick: { name: 'Wait for a pick', tells: 'continues when an object is picked', shape: '✛' },
	launch: { name: 'Launch', tells: 'starts another program', shape: '↗' }
};

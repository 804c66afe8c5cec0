import type { Severity } from '$core/check/severity';

/** A severity as a shape and a tone, so that it reads without colour. */
export const SIGNS: Readonly<
	Record<Severity, { readonly shape: string; readonly tone: string; readonly name: string; readonly names: string }>
> = {
	error: { shape: '◆', tone: 'garnet', name: 'error', names: 'errors' },
	attention: { shape: '▲', tone: 'limonite', name: 'warning', names: 'warnings' },
	note: { shape: '○', tone: 'azurite', name: 'note', names: 'notes' }
};

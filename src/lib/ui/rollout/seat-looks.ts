import type { SeatState } from '$core/release/release';

/** How the states of seats look; a sign stands beside each, so that the tone alone says nothing. */
export const SEAT_LOOKS: Readonly<Record<SeatState, { readonly sign: string; readonly tone: string; readonly text: string }>> = {
	current: { sign: '✓', tone: 'epidote', text: 'current' },
	behind: { sign: '▲', tone: 'limonite', text: 'behind' },
	drifted: { sign: '≠', tone: 'garnet', text: 'drifted' },
	refused: { sign: '◆', tone: 'garnet', text: 'refused' },
	troubled: { sign: '!', tone: 'garnet', text: 'reports a problem' },
	offline: { sign: '○', tone: 'limonite', text: 'offline' },
	never: { sign: '…', tone: 'limonite', text: 'never connected' },
	hidden: { sign: '·', tone: 'quiet', text: 'not shown to you' }
};

import { handTest } from './hands.ts';
import type { DeskSetup } from '../core/keyboard/desk.ts';

/** What opens the root key of the made-up office: it signs nothing that anybody would rely on. */
export const DEMO_PASSPHRASE = 'two hinges and a ladder';

/** The workstations of Altspur Cabins and what stands on their desks. */
export const seats: readonly { readonly id: string; readonly note: string; readonly desk: DeskSetup }[] = [
	{
		id: 'C-01',
		note: 'Cladding team',
		desk: {
			platform: 'windows',
			board: 'full-iso',
			layout: 'ch',
			mouse: 'right',
			screens: [
				{ width: 1920, height: 1080, scale: 1 },
				{ width: 1920, height: 1080, scale: 1 }
			],
			hand: handTest(1, 6.5, 3)
		}
	},
	{
		id: 'C-02',
		note: 'Door and floor team',
		desk: {
			platform: 'windows',
			board: 'full-iso',
			layout: 'de',
			mouse: 'left',
			screens: [{ width: 1280, height: 800, scale: 1 }],
			hand: handTest(2, 8.5, 7)
		}
	},
	{
		id: 'C-03',
		note: 'Hanger team',
		desk: {
			platform: 'linux',
			board: 'laptop',
			layout: 'us',
			mouse: 'right',
			screens: [{ width: 1920, height: 1200, scale: 1.25 }]
		}
	}
];

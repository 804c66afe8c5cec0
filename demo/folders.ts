import { SearchPaths } from '../core/folders/search.ts';

const share = (modified: string) => [
	{ path: 'S:/Standard/Varve/names.txt', modified },
	{ path: 'S:/Standard/Varve/keys.json', modified: '2026-09-01T08:00:00Z' }
];
const program = [
	{ path: 'C:/Varve7/names.txt', modified: '2025-03-01T08:00:00Z' },
	{ path: 'C:/Varve7/keys.json', modified: '2025-03-01T08:00:00Z' },
	{ path: 'C:/Varve7/plot.ini', modified: '2025-03-01T08:00:00Z' }
];

/** Where the seats of Altspur Cabins search for the files of Varve Draft 7; one of them keeps an old copy of its own. */
export const searchPaths = SearchPaths.parse({
	files: [
		{ name: 'names.txt', holds: 'aliases', written: false },
		{ name: 'keys.json', holds: 'shortcuts', written: false },
		{ name: 'plot.ini', holds: 'plot settings, written at each plot', written: true },
		{ name: 'symbols.lst', holds: 'symbol library', written: false }
	],
	groups: [
		{
			name: 'Drawing office',
			seats: ['C-01', 'C-02'],
			folders: [
				{ path: 'P:/Varve', kind: 'personal', writable: true },
				{ path: 'S:/Standard/Varve', kind: 'office', writable: false },
				{ path: 'C:/Varve7', kind: 'program', writable: false }
			]
		},
		{
			name: 'Workshop',
			seats: ['C-03'],
			folders: [
				{ path: 'S:/Standard/Varve', kind: 'office', writable: false },
				{ path: 'C:/Varve7', kind: 'program', writable: false }
			]
		}
	],
	disks: {
		'C-01': [...share('2026-10-12T08:00:00Z'), ...program, { path: 'P:/Varve/plot.ini', modified: '2026-11-02T08:00:00Z' }],
		'C-02': [...share('2026-10-12T08:00:00Z'), ...program, { path: 'P:/Varve/names.txt', modified: '2025-11-20T08:00:00Z' }],
		'C-03': [...share('2026-10-12T08:00:00Z'), ...program]
	}
});

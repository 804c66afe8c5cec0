import type { Command } from '$core/application/command';
import { takenKeyFor } from '$core/answer/taken-key';
import { readable } from '$core/stroke/stroke';
import type { Workspace } from '$lib/state/workspace.svelte';
import { labelOf } from '../wording';

/** The state of the page as the running tour sees it. */
export interface TourSight {
	/** The path of the view that is open. */
	readonly view: string;
	/** The number of changes since the tour began. */
	readonly edits: number;
	/** Whether something that the selector finds is on the page and contains the text. */
	shows(selector: string, text?: string): boolean;
}

/** One step of a tour, done with a real control. */
export interface TourStep {
	readonly title: string;
	readonly text: string;
	/** The path of the view that the step is done in. */
	readonly view: string;
	/** The control, as a CSS selector. */
	readonly target: string;
	/** Whether it is done. A step without it is only read. */
	readonly done?: (sight: TourSight) => boolean;
}

/** A job that is done once, step by step, and undone at the end. */
export interface Tour {
	readonly name: string;
	/** The situation that the tour needs, by number. */
	readonly situation?: number;
	readonly steps: readonly TourStep[];
}

/** The step that takes the change back. */
const undoStep = (view: string): TourStep => ({
	title: 'Undo it',
	text: 'Select Undo at the bottom, or press Ctrl+Z outside of a drawn window. Every change can be undone, also later.',
	view,
	target: '[data-walk="undo"]',
	done: ({ edits }) => edits === 0
});

/** The tour of a key: a command gets a key that is taken, the conflict is resolved, tried and undone. Undefined where no key serves. */
export function keyTour(workspace: Workspace): Tour | undefined {
	const { index, profile, targetId, catalogue } = workspace;
	const candidates = [...catalogue.values()].filter(({ kind }) => kind === 'interactive');
	const isPreferred = ({ label }: Command) => label === 'Extrude';
	const found = takenKeyFor(index, profile, targetId, [...candidates.filter(isPreferred), ...candidates]);
	if (!found) return undefined;
	const label = labelOf(index, found.command);
	const key = readable(found.keys);
	const owner = labelOf(index, found.owner);
	return {
		name: 'Give a command a key',
		situation: found.situation,
		steps: [
			{
				title: `Find ${label}`,
				text: `Type “${label}” into the search and select the command in the list.`,
				view: 'commands',
				target: 'main input[type="search"]',
				done: ({ view, shows }) => view === 'commands' && shows('article header', found.command)
			},
			{
				title: `Press ${key}`,
				text: `Click the field and press ${key}. Skarn checks the key before anything changes.`,
				view: 'commands',
				target: 'section[aria-label="New shortcut"] .field',
				done: ({ shows }) => shows('section[aria-label="New shortcut"] .verdict', owner)
			},
			{
				title: 'Resolve the conflict',
				text: `${key} runs ${owner}. Select “Take ${key} over”, read what changes, and confirm with the button below the options.`,
				view: 'commands',
				target: 'section[aria-label="New shortcut"] .verdict',
				done: ({ edits }) => edits > 0
			},
			{
				title: 'Try it',
				text: `The bench is a small copy of the program. Click into its window and press ${key}: ${label} runs.`,
				view: 'bench',
				target: 'section[aria-label="Bench"]',
				done: ({ view, shows }) => view === 'bench' && shows('.log li', label)
			},
			undoStep('bench')
		]
	};
}

const designerTour: Tour = {
	name: 'Gestures and toolbars',
	steps: [
		{
			title: 'Select a direction',
			text: 'A rose shows the directions of a mouse gesture. Click one, or move with the arrow keys.',
			view: 'gestures',
			target: 'section[aria-label="Roses"]',
			done: ({ shows }) => shows('aside[aria-label="Selected direction"] h2')
		},
		{
			title: 'Give it a command',
			text: 'Type a command here and press Enter. The rose shows it at once.',
			view: 'gestures',
			target: 'aside[aria-label="Selected direction"] [role="combobox"]',
			done: ({ edits }) => edits > 0
		},
		undoStep('gestures'),
		{
			title: 'Arrange the toolbars',
			text: 'Drag a button on the window, or select it and move it with Ctrl and the arrow keys. The cards show the space on each screen of the office.',
			view: 'bars',
			target: 'section[aria-label="Program window"]'
		},
		{
			title: 'Share it',
			text: 'A change that helps everyone can be proposed to the office. The stewards decide on it.',
			view: 'proposals',
			target: 'main .view'
		}
	]
};

const stewardTour: Tour = {
	name: 'A release',
	steps: [
		{
			title: 'Check',
			text: 'Findings lists the conflicts of all setups. Select one: you see its proof, and fixes that were tried on a copy.',
			view: 'findings',
			target: 'section[aria-label="Findings"]'
		},
		{
			title: 'See the effect on people',
			text: 'Impact shows, before you publish, what changes for each person: keys that move, habits that break.',
			view: 'impact',
			target: 'section[aria-label="Impact of the release"]'
		},
		{
			title: 'Publish in rings',
			text: 'Publish sends the release to the first ring of seats. It goes on to the next ring when these seats run without problems, and you can go back at any time.',
			view: 'rollout',
			target: '.view-head .acts'
		},
		{
			title: 'Follow the seats',
			text: 'Each seat reports its release and what was edited locally. Problems stop the next ring.',
			view: 'rollout',
			target: 'section[aria-label="Seats"]'
		}
	]
};

const trainerTour: Tour = {
	name: 'A sheet for a course',
	steps: [
		{
			title: 'Choose the contents',
			text: 'A sheet has all shortcuts of a setup, the most used ones, or those of one situation. Choose what the course needs.',
			view: 'sheet',
			target: '[role="group"][aria-label="Contents"]'
		},
		{
			title: 'Look at the paper',
			text: 'The preview is the page as it is printed, with the names of keys on the course’s keyboard.',
			view: 'sheet',
			target: '[role="region"][aria-label="Preview"]'
		},
		{
			title: 'Show the differences',
			text: 'Compare puts two setups, releases or programs side by side: what somebody has to learn again.',
			view: 'compare',
			target: 'section[aria-label="Compare"]'
		}
	]
};

/** A tour to choose from; undefined where the program has nothing to show it with. */
export interface TourOffer {
	readonly name: string;
	/** Who it is for, and how long it takes. */
	readonly line: string;
	make(workspace: Workspace): Tour | undefined;
}

export const TOURS: readonly TourOffer[] = [
	{ name: 'Give a command a key', line: 'for everyone, 90 seconds', make: keyTour },
	{ name: 'Gestures and toolbars', line: 'for designers, two minutes', make: () => designerTour },
	{ name: 'A release', line: 'for stewards, two minutes', make: () => stewardTour },
	{ name: 'A sheet for a course', line: 'for trainers, one minute', make: () => trainerTour }
];

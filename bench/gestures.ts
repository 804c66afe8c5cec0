import { put } from '../core/answer/choices.ts';
import { setRose, setShape } from '../core/chapters/gestures/writing.ts';
import { sampleOf } from '../core/chapters/gestures/shape.ts';
import { catalogueOf } from '../core/application/application.ts';
import { contextSpace } from '../core/context/space.ts';
import { drawnAgain, kappaOf } from '../core/hand/drawn.ts';
import { recognise, templateOf } from '../core/hand/unistroke.ts';
import { desksOf, USUAL_DESK } from '../core/keyboard/desk.ts';
import { findingsIn } from '../core/profile/checkers.ts';
import { circumstancesOf } from '../core/profile/circumstances.ts';
import { applyEdit } from '../core/profile/edit.ts';
import { ofShortcuts } from '../core/shortcut/change.ts';
import { stratumById, type Profile, type StratumId } from '../core/strata/stratum.ts';
import { parseKeys } from '../core/stroke/stroke.ts';
import { generate, seeded } from './generate.ts';
import { median, percentile, type Line } from './report.ts';

const [SHAPES, SAMPLES, INPUTS] = [64, 5, 500] as const;
const OFFICE = 'office' as StratumId;

/** A mark of four to seven corners. */
function mark(random: () => number): number[] {
	const many = 4 + Math.floor(random() * 4);
	return Array.from({ length: 2 * many }, () => Math.round(random() * 120));
}

/** 500 inputs of the mouse: roses of twelve directions, shapes, buttons and the wheel with modifiers, in scopes of the profile. */
function withMouse(profile: Profile, { commands, scopes }: Pick<ReturnType<typeof subject>, 'commands' | 'scopes'>): Profile {
	const random = seeded(11);
	let now = profile;
	const shapes = Array.from({ length: SHAPES }, (_, i) => {
		const drawn = mark(random);
		const samples = Array.from({ length: SAMPLES }, () => sampleOf(drawnAgain(drawn, kappaOf(6), random)));
		return { id: `s${i}`, label: `Shape ${i}`, samples, isEitherWay: false, isTurned: false };
	});
	for (const shape of shapes) now = applyEdit(now, setShape(stratumById(now, OFFICE), shape));
	const keys: (readonly [string, number])[] = [];
	for (let r = 0; r < 20; r++) {
		const rose = { button: 'Right' as const, modifiers: [], scope: scopes[r]!, directions: 12, turn: 0 };
		now = applyEdit(now, setRose(stratumById(now, OFFICE), rose));
		for (let d = 0; d < 12; d++) keys.push([`RightFlick${d * 30}`, r]);
	}
	for (let s = 0; s < 160; s++) keys.push([`RightShape-s${s % SHAPES}`, 20 + (s % 40)]);
	const held = ['', 'Ctrl+', 'Alt+', 'Shift+', 'Ctrl+Shift+'];
	for (let i = 0; keys.length < INPUTS; i++)
		keys.push([`${held[i % 5]}${['MiddleDrag', 'WheelUp', 'WheelDown', 'MiddleClick', 'BackClick'][((i / 5) % 5) | 0]}`, 60 + i]);
	const changes = keys.flatMap(([input, at], i) =>
		put(
			now,
			OFFICE,
			{ command: commands[(i * 7) % commands.length]!.id, keys: parseKeys(input), scope: scopes[at % scopes.length]! },
			i
		)
	);
	return applyEdit(now, ofShortcuts(changes));
}

function subject() {
	const { application, commands, profile } = generate(5_000, 20_000);
	const space = contextSpace(application.axes, application.reachable);
	const random = seeded(5);
	const scopes = Array.from({ length: 100 }, () => {
		const axis = application.axes[Math.floor(random() * application.axes.length)]!;
		return { [axis.id]: [axis.nodes[Math.floor(random() * axis.nodes.length)]!.id] };
	});
	return { application, commands, profile, space, catalogue: catalogueOf(commands, space), scopes };
}

/** What the mouse costs the check, and how long a drawn shape takes to be recognised. */
export function gesturesBench(): Line[] {
	const all = subject();
	const desks = desksOf([{ id: 'C-01', desk: USUAL_DESK }]);
	const check = (profile: Profile) => {
		// as for a profile that nobody has looked at yet; what is known of the drawings stays, as it does from edit to edit
		const fresh = profile.map((stratum) => ({ ...stratum }));
		const start = performance.now();
		findingsIn({ circumstances: circumstancesOf(all, fresh, desks, null), profile: fresh, released: undefined });
		return performance.now() - start;
	};
	const more = withMouse(all.profile, all);
	const [plain, mouse]: [number[], number[]] = [[], []];
	const first = check(more);
	check(all.profile);
	for (let i = 0; i < 9; i++) {
		plain.push(check(all.profile));
		mouse.push(check(more));
	}

	const random = seeded(3);
	const marks = Array.from({ length: SHAPES }, () => mark(random));
	const templates = marks.map((drawn, i) =>
		templateOf(
			String(i),
			Array.from({ length: SAMPLES }, () => drawnAgain(drawn, kappaOf(6), random))
		)
	);
	const times: number[] = [];
	let wrong = 0;
	for (let i = 0; i < 1_000; i++) {
		const path = drawnAgain(marks[i % SHAPES]!, kappaOf(9), random);
		const start = performance.now();
		const [best] = recognise(path, templates);
		if (i >= 100) times.push(performance.now() - start);
		if (best!.shape !== String(i % SHAPES)) wrong++;
	}
	return [
		{ what: `gestures: 20,000 shortcuts, and ${INPUTS} inputs of the mouse, ${SHAPES} shapes among them` },
		{ what: 'check without the mouse, median', value: median(plain), unit: 'ms' },
		{ what: 'check with it, median over that', value: median(mouse) / median(plain), unit: 'x', most: 1.2 },
		{ what: 'the first check, which draws all shapes', value: first, unit: 'ms' },
		{
			what: `one shape among ${SHAPES} of ${SAMPLES} drawings recognised, p95`,
			value: percentile(times, 95),
			unit: 'ms',
			most: 2
		},
		{ what: 'of those taken for another one, marks at random', value: wrong / 10, unit: '%' }
	];
}

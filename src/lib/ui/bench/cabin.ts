import { facesViewer, seenBy, type Camera, type Point3 } from '$core/surface/turning';

/** The stand-in's cabin in space, in metres about its middle, and how it is drawn from any side. */

const [L, W, H] = [1.45, 0.8, 1.05] as const;

/** A quadrilateral with its outward normal. */
interface Face {
	readonly corners: readonly Point3[];
	readonly normal: Point3;
}

/** The corners of a box, the lower four first, each four counterclockwise from the corner in front on the left. */
const corners = (x: number, y: number, low: number, high: number): Point3[] =>
	[low, high].flatMap((z): Point3[] => [
		[-x, -y, z],
		[x, -y, z],
		[x, y, z],
		[-x, y, z]
	]);

const SIDES: readonly (readonly [at: readonly number[], normal: Point3])[] = [
	[
		[0, 1, 5, 4],
		[0, -1, 0]
	],
	[
		[1, 2, 6, 5],
		[1, 0, 0]
	],
	[
		[4, 5, 6, 7],
		[0, 0, 1]
	],
	[
		[2, 3, 7, 6],
		[0, 1, 0]
	],
	[
		[3, 0, 4, 7],
		[-1, 0, 0]
	],
	[
		[3, 2, 1, 0],
		[0, 0, -1]
	]
];

const box = (of: readonly Point3[]): Face[] => SIDES.map(([at, normal]) => ({ corners: at.map((i) => of[i]!), normal }));

const CORNERS = corners(L, W, -H, H);
const FACES = box(CORNERS);
const FLOOR = box(corners(L + 0.06, W + 0.06, -H - 0.16, -H));

/** The edges of the box, each with the two faces that meet in it. */
const EDGES: readonly (readonly [from: number, to: number, faces: readonly [number, number]])[] = [
	[0, 4, [0, 4]],
	[1, 5, [0, 1]],
	[2, 6, [1, 3]],
	[4, 5, [0, 2]],
	[5, 6, [1, 2]],
	[0, 1, [0, 5]],
	[1, 2, [1, 5]],
	[3, 7, [3, 4]],
	[6, 7, [2, 3]],
	[7, 4, [2, 4]],
	[2, 3, [3, 5]],
	[3, 0, [4, 5]]
];

/** On a side, from so far along it to so far, between two heights. */
const pane = (side: number, from: number, to: number): { readonly face: number; readonly corners: readonly Point3[] } => {
	const [a, b] = FACES[side]!.corners as readonly [Point3, Point3];
	const at = (share: number, z: number): Point3 => [a[0] + (b[0] - a[0]) * share, a[1] + (b[1] - a[1]) * share, z];
	return { face: side, corners: [at(from, -0.1), at(to, -0.1), at(to, 0.75), at(from, 0.75)] };
};
const PANES = [0, 3]
	.flatMap((side) => [pane(side, 0.07, 0.46), pane(side, 0.54, 0.93)])
	.concat([1, 4].map((side) => pane(side, 0.14, 0.86)));

const HANGER: readonly Point3[] = [
	[-0.35, 0, H],
	[-0.35, 0, 1.5],
	[-0.28, 0, 1.66],
	[0, 0, 1.7],
	[0.22, 0, 1.7]
];
const FOOT: readonly Point3[] = [
	[-0.52, 0, H],
	[-0.18, 0, H]
];
const WHEEL: Point3 = [0.34, 0, 1.7];
const ROPE: readonly Point3[] = [
	[-2.6, 0, 1.66],
	[2.6, 0, 1.92]
];

/** How the stand-in's cabin is looked at first. */
export const FIRST_LOOK: Camera = { turn: -38, tilt: 22, roll: 0 };

/** The middle of the drawing and the size of a metre in it. */
const [CX, CY, METRE] = [274, 176, 68] as const;

export interface DrawnPart {
	readonly id: number;
	readonly d: string;
}

/** The drawing from one side; parts keep their numbers from wherever they are seen. */
export interface DrawnCabin {
	readonly faces: readonly DrawnPart[];
	readonly panes: readonly string[];
	readonly edges: readonly DrawnPart[];
	readonly vertices: readonly { readonly id: number; readonly x: number; readonly y: number }[];
	readonly floor: string;
	readonly hanger: {
		readonly arm: string;
		readonly foot: string;
		readonly rope: string;
		readonly wheel: { x: number; y: number };
	};
	/** The hanger stands before the box, the floor behind it; seen from below it is the other way round. */
	readonly isFromAbove: boolean;
}

export function drawnCabin(camera: Camera): DrawnCabin {
	const see = seenBy(camera);
	const at = (point: Point3) => {
		const { x, y } = see(point);
		return { x: CX + METRE * x, y: CY + METRE * y };
	};
	const said = (points: readonly Point3[]) =>
		points.map((point, i) => `${i === 0 ? 'M' : 'L'}${at(point).x.toFixed(1)} ${at(point).y.toFixed(1)}`).join('');
	const shows = ({ normal }: Face) => facesViewer(camera, normal);
	const isSeen = FACES.map(shows);
	const cornerSeen = CORNERS.map((_, i) => SIDES.some(([of], face) => isSeen[face] && of.includes(i)));
	return {
		faces: FACES.flatMap(({ corners }, id) => (isSeen[id] ? [{ id, d: `${said(corners)}Z` }] : [])),
		panes: PANES.flatMap(({ face, corners }) => (isSeen[face] ? [`${said(corners)}Z`] : [])),
		edges: EDGES.flatMap(([from, to, of], id) =>
			of.some((face) => isSeen[face]) ? [{ id, d: said([CORNERS[from]!, CORNERS[to]!]) }] : []
		),
		vertices: CORNERS.flatMap((corner, id) => (cornerSeen[id] ? [{ id, ...at(corner) }] : [])),
		floor: FLOOR.filter(shows)
			.map(({ corners }) => `${said(corners)}Z`)
			.join(''),
		hanger: { arm: said(HANGER), foot: said(FOOT), rope: said(ROPE), wheel: at(WHEEL) },
		isFromAbove: camera.tilt >= 0
	};
}

/**
 * Looking at a thing in space: it is turned about its middle and drawn without perspective. Right-handed, z upwards; a camera with no
 * turn and no tilt looks along y.
 */

export type Point3 = readonly [x: number, y: number, z: number];

/** Angles in degrees. */
export interface Camera {
	/** How far the thing is turned about the upright axis, counterclockwise from above. */
	readonly turn: number;
	/** How far one looks from above, from -90 to 90. */
	readonly tilt: number;
	/** How far the picture is turned clockwise about the line of sight. */
	readonly roll: number;
}

/** Where a point is seen: `x` to the right, `y` downwards, and `depth` away from who looks, all in the unit of the point. */
export interface Seen {
	readonly x: number;
	readonly y: number;
	readonly depth: number;
}

const RAD = Math.PI / 180;

/** How points are seen by a camera: a turn about z, one about the horizontal axis, one about the line of sight. */
export function seenBy({ turn, tilt, roll }: Camera): (point: Point3) => Seen {
	const [sinT, cosT] = [Math.sin(turn * RAD), Math.cos(turn * RAD)];
	const [sinE, cosE] = [Math.sin(tilt * RAD), Math.cos(tilt * RAD)];
	const [sinR, cosR] = [Math.sin(roll * RAD), Math.cos(roll * RAD)];
	return ([px, py, pz]) => {
		const across = px * cosT - py * sinT;
		const away = px * sinT + py * cosT;
		const up = pz * cosE + away * sinE;
		return { x: across * cosR + up * sinR, y: across * sinR - up * cosR, depth: away * cosE - pz * sinE };
	};
}

/** Whether a face with this outward normal turns to who looks. */
export const facesViewer = (camera: Camera, normal: Point3): boolean => seenBy(camera)(normal).depth < -1e-9;

/** So many degrees the thing turns with each px. */
export const TURN_OF_PX = 0.4;

const fold = (degrees: number): number => {
	const whole = ((degrees % 360) + 360) % 360;
	return whole > 180 ? whole - 360 : whole;
};

/**
 * The camera after the pointer has dragged the thing by so many px: what is near follows the pointer. `speed` is a factor; a negative one
 * turns it the other way.
 */
export const orbited = ({ turn, tilt, roll }: Camera, dx: number, dy: number, speed = 1): Camera => ({
	turn: fold(turn + dx * TURN_OF_PX * speed),
	tilt: Math.max(-90, Math.min(90, tilt + dy * TURN_OF_PX * speed)),
	roll
});

/** The camera after the picture was turned about the line of sight by a drag across. */
export const rolled = ({ turn, tilt, roll }: Camera, dx: number, speed = 1): Camera => ({
	turn,
	tilt,
	roll: fold(roll + dx * TURN_OF_PX * speed)
});

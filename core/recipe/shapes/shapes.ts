import type { ShapeName, ShapeOf } from '../recipe.ts';
import { delimited } from './delimited.ts';
import { line } from './line.ts';
import type { Shape } from './shape.ts';

type Shapes = { [S in ShapeName]: Shape<ShapeOf<S>> };

/** Lines and fields are always there. The shapes that need a parser of their own weigh more and are there once `all.ts` is. */
const known: Partial<Shapes> = { line, delimited };

/** For `all.ts`. */
export const addShapes = (shapes: Partial<Shapes>): void => void Object.assign(known, shapes);

export const isThere = (name: ShapeName): boolean => known[name] !== undefined;

/** Throws when the shape's module is not there yet, which is a mistake of whoever loads modules. */
export function shapeOf<S extends ShapeName>(name: S): Shapes[S] {
	const shape = known[name];
	if (!shape) throw new Error(`files of the shape ${name} are read by core/recipe/shapes/all.ts, which is not loaded`);
	return shape;
}

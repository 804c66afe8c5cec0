import type { ShapeName, ShapeOf } from '../recipe.ts';
import { delimited } from './delimited.ts';
import { json } from './json.ts';
import { line } from './line.ts';
import type { Shape } from './shape.ts';
import { xml } from './xml.ts';
import { yaml } from './yaml.ts';

export const SHAPES: { readonly [S in ShapeName]: Shape<ShapeOf<S>> } = { line, delimited, json, yaml, xml };

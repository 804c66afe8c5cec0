import { json } from './json.ts';
import { addShapes } from './shapes.ts';
import { xml } from './xml.ts';
import { yaml } from './yaml.ts';

/** With this module every shape of file can be read. The first page of the interface does without it until a file needs it. */
addShapes({ json, yaml, xml });

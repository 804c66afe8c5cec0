import { mkdirSync, writeFileSync } from 'node:fs';
import { schemas } from './schemas.ts';

// npm run schemas: publishes the JSON Schemas in docs/schema.
const folder = new URL('../docs/schema/', import.meta.url);
mkdirSync(folder, { recursive: true });
for (const [name, schema] of Object.entries(schemas()))
	writeFileSync(new URL(name, folder), JSON.stringify(schema, null, '\t') + '\n');

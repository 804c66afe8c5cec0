import { z } from 'zod';
import { DiffFile, EffectiveFile, FindingsFile } from '../cli/shapes.ts';
import { ApplicationFile } from '../core/application/application-file.ts';
import { ProfileFile } from '../core/hand-over/profile-file.ts';
import { Recipe } from '../core/recipe/recipe.ts';
import { SeatReport } from '../core/release/release.ts';
import { CheckIn } from '../core/release/updates.ts';

/** The JSON Schemas of the open formats, generated from the Zod schemas; file name by schema. */
export function schemas(): Record<string, object> {
	const of = (schema: z.ZodType, title: string) => ({
		...z.toJSONSchema(schema, { target: 'draft-2020-12', io: 'input' }),
		title
	});
	return {
		'skarn-profile-2.schema.json': of(ProfileFile, 'Skarn profile, version 2'),
		'skarn-recipe-1.schema.json': of(Recipe, 'Skarn recipe: a text format both ways, version 1'),
		'skarn-application-1.schema.json': of(ApplicationFile, 'Skarn application with its catalogue, version 1'),
		'skarn-findings-1.schema.json': of(FindingsFile, 'Findings of skarn check, version 1'),
		'skarn-effective-1.schema.json': of(EffectiveFile, 'What is in force, of skarn resolve, version 1'),
		'skarn-diff-1.schema.json': of(DiffFile, 'Differences of skarn diff, version 1'),
		'skarn-check-in-1.schema.json': of(CheckIn, 'What a seat is answered that asks whether there is anything new, version 1'),
		'skarn-seat-report-1.schema.json': of(SeatReport, 'What a seat says about itself, version 1')
	};
}

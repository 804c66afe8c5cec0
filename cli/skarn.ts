import { Command, CommanderError, InvalidArgumentError } from 'commander';
import { CatalogueError } from '../core/application/application.ts';
import { UnknownContextError } from '../core/context/space.ts';
import { NotWritableError } from '../core/recipe/record.ts';
import { FileRefusedError } from '../core/format/problem.ts';
import { checkCommand } from './commands/check.ts';
import { convertCommand } from './commands/convert.ts';
import { diffCommand } from './commands/diff.ts';
import { explainCommand } from './commands/explain.ts';
import { exportCommand } from './commands/export.ts';
import { importCommand } from './commands/import.ts';
import { resolveCommand } from './commands/resolve.ts';
import { runCommand } from './commands/run.ts';
import { suggestCommand } from './commands/suggest.ts';
import { BadInputError } from './problem.ts';

/** What a command ends with: 0 clean, 1 findings at or above what was asked for, 2 bad input, 70 a mistake of Skarn's own. */
export const CLEAN = 0;
export const BAD_INPUT = 2;
export const OWN_MISTAKE = 70;

/** What is thrown about files, options and folders that are not as a command needs them; each message says what was expected. */
const INPUT_ERRORS = [BadInputError, InvalidArgumentError, NotWritableError, UnknownContextError, CatalogueError] as const;

/** Runs the command line; gives the exit code. */
export async function skarn(args: readonly string[]): Promise<number> {
	let code = CLEAN;
	const program = new Command('skarn')
		.description('Checks, explains, converts and distributes the interface setups of modelling applications.')
		.version('0.1.0')
		.exitOverride()
		.configureHelp({ sortSubcommands: false })
		.showHelpAfterError('Run skarn --help or skarn <command> --help for usage.');
	for (const add of [
		checkCommand,
		explainCommand,
		resolveCommand,
		convertCommand,
		diffCommand,
		suggestCommand,
		exportCommand,
		importCommand,
		runCommand
	])
		add(program, (result) => (code = Math.max(code, result)));
	try {
		await program.parseAsync(args, { from: 'user' });
		return code;
	} catch (error) {
		if (error instanceof CommanderError) return error.exitCode === 0 ? CLEAN : BAD_INPUT;
		if (error instanceof FileRefusedError) {
			console.error(error.message);
			for (const problem of error.problems.slice(1, 20))
				console.error(`  line ${problem.line}, column ${problem.column}: ${problem.message}`);
			return BAD_INPUT;
		}
		if (INPUT_ERRORS.some((kind) => error instanceof kind)) {
			console.error((error as Error).message);
			return BAD_INPUT;
		}
		console.error(`This is an error in Skarn, not in your input: ${(error as Error).stack ?? String(error)}`);
		return OWN_MISTAKE;
	}
}

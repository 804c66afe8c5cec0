import '$core/recipe/shapes/all';
import type { CommandId } from '$core/application/command';
import { ALIASES, aliasFileIn } from '$core/chapters/aliases/file';
import { macroRecords } from '$core/chapters/macros/file';
import { macrosIn } from '$core/chapters/macros/macro';
import { areSteps } from '$core/chapters/macros/steps';
import { shortcutRecords } from '$core/chapters/shortcuts/file';
import { decode, type Encoding } from '$core/format/bytes';
import { FileRefusedError, refuseBySize, type FileProblem } from '$core/format/problem';
import { USUAL } from '$core/hand-over/selection';
import { tagged } from '$core/profile/edit';
import { propose, unsayable, type Marks, type Proposal } from '$core/propose/propose';
import { exampleFile } from '$core/propose/example';
import type { Field } from '$core/recipe/field';
import { readWith, writeWith } from '$core/recipe/reading';
import { fieldsOf, Recipe } from '$core/recipe/recipe';
import { tryRecipe } from '$core/recipe/trial';
import { shortcutsIn } from '$core/shortcut/entry';
import { inOrder } from '$core/strata/entry';
import { barRecords } from '$core/chapters/bars/file';
import { lineEndOf } from '$core/text/lines';
import { FileReading, ReadingRefusedError } from '../workers/reading';
import type { Reading as Import } from '../workers/reading.worker';
import { ask, told } from './api';
import { RecentFiles } from './recent-files.svelte';
import type { Workspace } from './workspace.svelte';

const FIELDS: Readonly<Record<Recipe['holds'], readonly Field[]>> = {
	aliases: ['alias', 'command', 'note', 'lock'],
	shortcuts: ['keys', 'command', 'context', 'note'],
	macros: ['macro', 'label', 'steps', 'note', 'lock'],
	bars: ['bar', 'tab', 'group', 'command', 'label', 'note']
};

/** How long after the last sign of a sample its recipe is guessed anew. */
const PAUSE_MS = 120;

/** A sample of a file, the recipe that reads it, and what comes of both. */
export class RecipeWorkshop {
	readonly workspace: Workspace;
	readonly recent: RecentFiles;
	holds = $state<Recipe['holds']>('aliases');
	text = $state('');
	fileName = $state('sample.txt');
	marks = $state.raw<Marks>({});
	recipe = $state.raw<Recipe | undefined>(undefined);
	proposals = $state.raw<readonly Proposal[]>([]);
	/** Recipes that are kept with the application. */
	kept = $state.raw<readonly Recipe[]>([]);
	refusal = $state.raw<FileRefusedError | undefined>(undefined);
	imported = $state.raw<Import | undefined>(undefined);
	readonly #files = new FileReading();
	#encoding: Encoding = 'utf-8';
	#timer: ReturnType<typeof setTimeout> | undefined;

	constructor(workspace: Workspace) {
		this.workspace = workspace;
		this.recent = new RecentFiles(`recipes ${workspace.document.application.id}`);
		if (!this.hasAliases) this.holds = 'shortcuts';
	}

	get hasAliases(): boolean {
		return this.workspace.document.application.rules.aliases !== undefined;
	}

	readonly knows = (id: string): boolean => this.workspace.catalogue.has(id as CommandId);

	/** A separator of a bar is no command that would be missing. */
	#isRule(fields: Partial<Record<Field, { readonly value: string }>>): boolean {
		return this.holds === 'bars' && fields.command?.value.trim() === '-';
	}

	markable = $derived(FIELDS[this.holds]);
	#read = $derived.by((): { reading?: ReturnType<typeof readWith>; problems: readonly FileProblem[] } => {
		if (!this.recipe || this.text.trim() === '') return { problems: [] };
		try {
			return { reading: readWith(this.recipe, this.fileName, this.text), problems: [] };
		} catch (error) {
			if (error instanceof FileRefusedError) return { problems: error.problems };
			throw error;
		}
	});
	problems = $derived(this.#read.problems);
	records = $derived(this.#read.reading?.records ?? []);
	unknown = $derived(this.#read.reading?.unknown ?? []);
	/** How many of the records are of commands that there are, or of steps that can be read. */
	known = $derived(
		this.records.filter(({ fields }) =>
			this.holds === 'macros'
				? areSteps(fields.steps?.value ?? '')
				: this.knows(fields.command?.value ?? '') || this.#isRule(fields)
		).length
	);
	unsaid = $derived(this.text.trim() === '' ? undefined : unsayable(this.text, this.holds, this.knows));
	fields = $derived(this.recipe ? fieldsOf(this.recipe.record).filter((f) => f !== 'skip') : []);
	trial = $derived(this.recipe && this.records.length > 0 ? tryRecipe(this.recipe, this.text, this.records) : undefined);
	/** Contexts of the file that the recipe has no meaning for. */
	contexts = $derived(
		[...new Set(this.records.flatMap((r) => r.fields.context?.value ?? []))].filter((c) => !(c in (this.recipe?.contexts ?? {})))
	);
	/** Whether using the sample as the alias file would replace another one. */
	get replaces(): boolean {
		return (aliasFileIn(this.workspace.target)?.text ?? '') !== '';
	}

	/** Recipes that were kept. Tells a failure as a notice. */
	async load(): Promise<void> {
		await this.#keptBy('GET', '');
	}

	/** Proposes anew after a moment, unless somebody has adjusted the recipe by hand. */
	guess(): void {
		clearTimeout(this.#timer);
		this.#timer = setTimeout(() => {
			this.proposals = propose(this.text, this.holds, this.knows, this.marks, this.recipe?.name ?? 'My format').slice(0, 4);
			this.recipe = this.proposals[0]?.recipe;
			this.imported = undefined;
		}, PAUSE_MS);
	}

	/** Another sample, or the same one looked at for something else. */
	take(sample: { text?: string; fileName?: string; holds?: Recipe['holds']; encoding?: Encoding }): void {
		this.text = sample.text ?? this.text;
		this.fileName = sample.fileName ?? this.fileName;
		this.holds = sample.holds ?? this.holds;
		this.#encoding = sample.encoding ?? this.#encoding;
		this.marks = {};
		this.guess();
	}

	/** A file in no format that Skarn ships, of commands that the application has. */
	takeExample(): void {
		const { commands, application } = this.workspace.document;
		this.take({
			text: exampleFile(this.holds, commands),
			fileName: `example-${application.id}-${this.holds}.txt`,
			encoding: 'utf-8'
		});
	}

	/** A file of the person's: a sample, or a recipe that was saved. */
	async open(file: File | undefined): Promise<void> {
		if (!file) return;
		this.refusal = undefined;
		try {
			refuseBySize(file.name, file.size);
			const { text, encoding } = decode(file.name, new Uint8Array(await file.arrayBuffer()));
			if (/\.recipe\.json$/.test(file.name)) return this.#takeRecipe(text, file.name);
			this.take({ text, encoding, fileName: file.name });
			this.recent.add(file.name, text);
		} catch (error) {
			if (!(error instanceof FileRefusedError)) throw error;
			this.refusal = error;
		}
	}

	#takeRecipe(json: string, name: string): void {
		let value: unknown;
		try {
			value = JSON.parse(json);
		} catch (error) {
			this.refusal = new FileRefusedError(name, [{ line: 1, column: 1, message: `not JSON: ${(error as Error).message}` }]);
			return;
		}
		const { data, error } = Recipe.safeParse(value);
		if (data) this.use(data);
		else
			this.refusal = new FileRefusedError(
				name,
				error.issues.map((i) => ({ line: 1, column: 1, pointer: `/${i.path.join('/')}`, message: i.message }))
			);
	}

	use(recipe: Recipe): void {
		this.recipe = recipe;
		this.holds = recipe.holds;
	}

	/** Says that the field of one record stands there; offsets are those of the sample. */
	mark(field: Field, start: number, end: number): void {
		if (start === end) {
			this.workspace.notice = { kind: 'failed', text: `Select the ${field} of one record in the sample first.` };
			return;
		}
		this.marks = { ...this.marks, [field]: { start, end } };
		if (Object.keys(this.marks).length >= 2) this.guess();
	}

	forgetMarks(): void {
		this.marks = {};
		this.guess();
	}

	/** The sample becomes the alias file of the stratum that is written to. Whether it did. */
	async useAsAliasFile(): Promise<boolean> {
		if (!this.recipe) return false;
		const { targetId: stratum, target, edits } = this.workspace;
		const to = { recipe: this.recipe, text: this.text, name: this.fileName, encoding: this.#encoding };
		return edits.commit(
			`Aliases of ${target.name} from ${this.fileName}`,
			tagged({ id: ALIASES }, [{ stratum, from: aliasFileIn(target), to }])
		);
	}

	/** Compares what the sample says with the profile; see `imported`. */
	async compare(): Promise<void> {
		if (!this.recipe) return;
		const { document, profile, targetId, office } = this.workspace;
		try {
			this.imported = await this.#files.shortcuts(new File([this.text], this.fileName), {
				application: document.application,
				commands: document.commands,
				profile,
				into: targetId,
				recipe: this.recipe,
				selection: USUAL,
				scope: undefined,
				desks: office.desks
			});
		} catch (error) {
			if (!(error instanceof ReadingRefusedError)) throw error;
			this.refusal = new FileRefusedError(this.fileName, error.problems);
		}
	}

	/** The shortcuts or macros of the stratum that is written to, or the bars in force, in this format; what it has no words for is told. */
	written(): { name: string; text: string } | undefined {
		if (!this.recipe) return undefined;
		const { target, targetId, document } = this.workspace;
		const { holds } = this.recipe;
		const { rows, left } =
			holds === 'macros'
				? { rows: macroRecords(inOrder(macrosIn(target))), left: [] }
				: holds === 'bars'
					? barRecords(this.workspace.profile)
					: shortcutRecords(this.recipe, inOrder(shortcutsIn(target)));
		this.workspace.notice =
			left.length > 0
				? { kind: 'failed', text: `${rows.length} ${holds} written; ${left.length} skipped, the first: ${left[0]}` }
				: { kind: 'done', text: `${rows.length} ${holds} written.` };
		return {
			name: `${document.application.id}-${targetId}.txt`,
			text: writeWith(this.recipe, rows, this.text ? lineEndOf(this.text) : '\n')
		};
	}

	/** Keeps the recipe with the application. */
	async keep(): Promise<void> {
		const { recipe, workspace } = this;
		if (recipe && (await this.#keptBy('PUT', '', recipe)))
			workspace.notice = {
				kind: 'done',
				text: `The recipe "${recipe.name}" is saved for ${workspace.document.application.name}.`
			};
	}

	async drop(name: string): Promise<void> {
		await this.#keptBy('DELETE', `?name=${encodeURIComponent(name)}`);
	}

	async #keptBy(method: 'GET' | 'PUT' | 'DELETE', query: string, recipe?: Recipe): Promise<boolean> {
		try {
			this.kept = (await ask<{ recipes: Recipe[] }>(`${this.workspace.path}/recipes${query}`, method, recipe)).recipes;
			return true;
		} catch (error) {
			this.workspace.notice = { kind: 'failed', text: told(error) };
			return false;
		}
	}
}
